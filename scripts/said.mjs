/** Every string that the web shows, one JSON object a line: where it stands and what it says, … for what is put in. */
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join, relative, resolve } from 'node:path'

const root = resolve(import.meta.dirname, '..')
const need = createRequire(join(root, 'web', 'package.json'))
const ts = need('typescript')
const { parse } = need('@vue/compiler-sfc')

/** Attributes that are read, on the screen or aloud. */
const READ = new Set(['alt', 'aria-description', 'aria-label', 'aria-roledescription', 'cancel', 'confirm', 'head', 'heading', 'hint', 'label', 'message', 'note', 'persistent-placeholder', 'placeholder', 'prefix', 'suffix', 'text', 'title', 'unit', 'what'])
/** Nothing in here is shown. */
const APART = /(\.test\.ts|\.d\.ts)$|^web\/src\/testing\//
/** Names of fields and functions whose strings are keys, addresses or looks. */
const KEYS = new Set(['class', 'class-name', 'key', 'to', 'style', 'd', 'transform', 'role', 'href', 'src', 'id', 'for', 'type', 'ref', 'is', 'items', 'variant', 'density', 'viewbox', 'points', 'rel', 'target'])

/** part: text that goes on from what stands before it on the screen. */
function say(file, line, text, part = false) {
  const said = text.replaceAll(/\s*\n\s*/g, ' ').trim()
  if (/\p{L}{2}/u.test(said)) process.stdout.write(`${JSON.stringify({ at: `${file}:${line}`, said, part })}\n`)
}
/** A string as it is written, with … where something is put in. */
function textOf(node) {
  if (ts.isStringLiteralLike(node)) return node.text
  return node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join('')
}
/** Whether a string in code is a sentence or a label: words with spaces, or one word that begins with a capital. */
function isProse(text) {
  return /\p{L}{2}/u.test(text) && (/\p{L}.* .*\p{L}/u.test(text) || /^\p{Lu}\p{Ll}+[.…:?!]?$/u.test(text.trim())) && !/^[\w./@-]+$/.test(text.trim().replace(/^\p{Lu}\p{Ll}+$/u, ' ')) && !/[{};]|=>|^\/|^--|^[a-z]+(-[a-z]+)+( [a-z]+(-[a-z]+)*)*$/.test(text)
}
function isPart(node) {
  const above = node.parent
  if (!above) return false
  if (ts.isImportDeclaration(above) || ts.isExportDeclaration(above) || ts.isLiteralTypeNode(above) || ts.isCaseClause(above)) return true
  if (ts.isPropertyAssignment(above) && above.name === node) return true
  if (ts.isElementAccessExpression(above) || (ts.isBinaryExpression(above) && /[=!]==?|in$/.test(above.operatorToken.getText()))) return true
  return ts.isCallExpression(above) && /(^|\.)(emit|querySelector|querySelectorAll|closest|getItem|setItem|addEventListener|removeEventListener|split|join|startsWith|endsWith|includes|has|get|set|GET|POST|PUT|DELETE|defineEmits|inject|provide|matchMedia|createElement|createElementNS|setAttribute)$/.test(above.expression.getText())
}
/** What is counted: "3 shots" is put together from one word. */
function isCounted(node) {
  const above = node.parent
  return Boolean(above) && ts.isCallExpression(above) && above.expression.getText() === 'many'
}
/** The strings of a piece of code that are read. every: also single words, as in an attribute that is read. */
function ofCode(file, code, line, every = false) {
  const source = ts.createSourceFile('said.ts', code, ts.ScriptTarget.Latest, true)
  const visit = (node) => {
    if (ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) {
      const text = textOf(node)
      if (!isPart(node) && (every || isProse(text) || isCounted(node))) say(file, line + source.getLineAndCharacterOfPosition(node.getStart()).line, text)
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
}
function ofTemplate(file, node, before = false) {
  // 1 element, 2 text, 5 interpolation (@vue/compiler-core, NodeTypes).
  if (node.type === 2) say(file, node.loc.start.line, node.content, before)
  if (node.type === 5) ofCode(file, node.content.content ?? '', node.loc.start.line, true)
  for (const prop of node.props ?? []) {
    if (prop.type === 6 && READ.has(prop.name) && prop.value) say(file, prop.loc.start.line, prop.value.content)
    if (prop.type === 7 && prop.name === 'bind' && prop.exp && !KEYS.has(String(prop.arg?.content ?? '').toLowerCase())) ofCode(file, `(${prop.exp.content})`, prop.loc.start.line, READ.has(prop.arg?.content))
    if (prop.type === 7 && prop.name === 'on' && prop.exp) ofCode(file, prop.exp.content, prop.loc.start.line)
  }
  for (const [index, child] of (node.children ?? []).entries()) ofTemplate(file, child, index > 0)
}
for (const name of readdirSync(join(root, 'web', 'src'), { recursive: true }).sort()) {
  const file = relative(root, join(root, 'web', 'src', name))
  if (!/\.(vue|ts)$/.test(file) || APART.test(file)) continue
  const code = readFileSync(join(root, file), 'utf8')
  if (file.endsWith('.ts')) {
    ofCode(file, code, 1)
    continue
  }
  const { descriptor } = parse(code)
  if (descriptor.template) ofTemplate(file, descriptor.template.ast)
  for (const script of [descriptor.script, descriptor.scriptSetup]) if (script) ofCode(file, script.content, script.loc.start.line)
}
