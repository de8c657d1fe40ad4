/** What types do not say: habits of Vue, of TypeScript, and of screens that everybody can use. */
import vue from 'eslint-plugin-vue'
import accessibility from 'eslint-plugin-vuejs-accessibility'
import ts from 'typescript-eslint'

/** Floors of the web, from the ground up: each may use those below it, and none above. */
const FLOORS = [['api'], ['format'], ['drawing', 'field'], ['wording'], ['pictures'], ['composables'], ['components'], ['screens']]
/** What only says, draws or reckons knows nothing of Vue, and is tried without it. */
const PURE = new Set(['format', 'drawing', 'wording', 'pictures'])
const boundaries = FLOORS.flatMap((floor, at) =>
  floor.map((room) => ({
    files: [`src/${room}/**/*.{ts,vue}`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...FLOORS.slice(at + 1).flat().map((above) => ({ group: [`@/${above}/**`, `../**/${above}/**`], message: `${room} stands below ${above}: what both need belongs further down.` })),
            ...floor.filter((other) => other !== room).map((other) => ({ group: [`@/${other}/**`], message: `${room} and ${other} stand side by side and know nothing of each other.` })),
            ...(PURE.has(room) ? [{ group: ['vue', 'vue-router', '@tanstack/*', '@vueuse/*'], message: `${room} knows nothing of Vue.` }] : []),
            ...(['components', 'screens'].includes(room) ? [{ group: ['@/api/client', '@/api/stream'], message: 'Only composables ask the server.' }] : []),
          ],
        },
      ],
    },
  })),
)

export default ts.config(
  { ignores: ['dist', 'dev-dist', 'src/api/schema.gen.d.ts'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  ...accessibility.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      // Screens are named by what they show; a part of one by its part.
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      // A label that wraps its field needs no id.
      'vuejs-accessibility/label-has-for': ['error', { required: { some: ['nesting', 'id'] }, controlComponents: ['VSlider'] }],
      // A dialog that was just opened begins at its first field: that is where whoever opened it wants to be.
      'vuejs-accessibility/no-autofocus': 'off',
      // Vue 3 has no filters; a | in a template is a union of types.
      'vue/no-deprecated-filter': 'off',
    },
  },
  {
    // Drawings: keys move over the whole drawing, or over the table beside it that says the same; a click is a short cut.
    files: ['src/screens/{brief/WantsPart,stamina/PictureRows,stamina/PowerRows,stow/RoomPlan,stow/RoomTurned,suggest/TradeCurve}.vue'],
    rules: {
      'vuejs-accessibility/click-events-have-key-events': 'off',
      'vuejs-accessibility/no-static-element-interactions': 'off',
    },
  },
  {
    // What a test says of an answer is checked by the schema: a part of one is made by testing/part.ts.
    files: ['src/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': ['error', { selector: 'TSAsExpression > TSAsExpression[typeAnnotation.type="TSUnknownKeyword"], TSAsExpression[typeAnnotation.type="TSNeverKeyword"]', message: 'Say it with part() of testing/part.ts, or answering() of testing/server.ts.' }],
    },
  },
  ...boundaries,
)
