import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const css = readFileSync('src/theme/tokens.css', 'utf8')
const themes = Object.fromEntries(
  ['day', 'night', 'red'].map((name) => {
    const block = new RegExp(`\\[data-theme='${name}'\\] \\{([^}]*)\\}`).exec(css)?.[1] ?? ''
    return [name, Object.fromEntries([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]!]))]
  }),
)

/** Relative luminance and contrast as the accessibility guidelines define them. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

const PAIRS: [string, string][] = [
  ...['ink', 'muted', 'saddle', 'rust', 'slate'].flatMap((text): [string, string][] => [
    [text, 'paper'],
    [text, 'sheet'],
  ]),
  ...[1, 2, 3, 4, 5, 6].map((n): [string, string] => [`want-${n}`, 'sheet']),
  ['mat-ink', 'mat'],
  ['mat-muted', 'mat'],
  ['thing-ink', 'thing'],
  ['thing-ink', 'thing-power'],
  ['thing-ink', 'thing-cards'],
  ['mat-figure', 'mat'],
  ['foot-ink', 'foot'],
  ['foot-muted', 'foot'],
  ['button-ink', 'button'],
]

describe.each(Object.entries(themes))('the %s theme', (_, colours) => {
  it.each(PAIRS)('shows %s on %s with a contrast of at least 4.5', (text, ground) => {
    expect(contrast(colours[text]!, colours[ground]!)).toBeGreaterThanOrEqual(4.5)
  })
})

it('keeps the red-light theme free of anything bright or not red', () => {
  for (const [name, hex] of Object.entries(themes.red!)) {
    const [r, g, b] = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number]
    expect(Math.max(g, b), name).toBeLessThanOrEqual(Math.max(16, r * 0.62))
    expect(luminance(hex), name).toBeLessThan(0.45)
  }
})
