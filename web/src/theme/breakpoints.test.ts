import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'

/** Widths at which screens rearrange: columns stand one under the other, and what is used standing becomes a phone's. */
const NARROW = '(max-width: 1000px)'
const PHONE = '(max-width: 700px)'

it('screens rearrange at the same two widths', () => {
  const files = (readdirSync('src', { recursive: true }) as string[]).filter((f) => /\.(vue|css)$/.test(f))
  const asked = files.flatMap((f) => [...readFileSync(`src/${f}`, 'utf8').matchAll(/@media ([^{]*width[^{]*)\{/g)].map((m) => m[1]!.trim()))
  expect(new Set(asked)).toEqual(new Set([NARROW, PHONE]))
})
