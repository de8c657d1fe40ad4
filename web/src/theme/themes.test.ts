// @vitest-environment jsdom
/** themes.css is what Vuetify would write into the page for our themes; UPDATE_THEMES=1 writes it anew. */
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import { THEMES } from './vuetify'

const PLACE = 'src/theme/themes.css'

function themesCss(): string {
  const made = createVuetify({ theme: { defaultTheme: 'day', themes: THEMES } })
  const css = made.theme.styles.value
  const blocks = [...css.matchAll(/^ *([:.][^{}\n]*?) *\{([^{}]*)\}/gm)].map(([, selector, body]) => ({ selector: selector!, body: body!.trim().replace(/\s*\n\s*/g, '\n  ') }))
  const ours = blocks.filter(({ selector }) => !/^:root|theme--(light|dark)$|bright|-light|variant|darken|info|success|warning/.test(selector))
  const told = ours.map(({ selector, body }) => `${selector.replace(/^\.v-theme--(\w+)$/, "[data-theme='$1']")} {\n  ${body}\n}\n`)
  return `/* Made by themes.test.ts from vuetify.ts: the colours of Vuetify's parts, theme by theme. */\n@layer vuetify-utilities {\n${told.join('')}}\n`
}

it('holds the colours of every theme', () => {
  const css = themesCss()
  if (process.env.UPDATE_THEMES) writeFileSync(PLACE, css)
  expect(readFileSync(PLACE, 'utf8')).toBe(css)
  for (const name of Object.keys(THEMES)) expect(css).toContain(`[data-theme='${name}']`)
})
