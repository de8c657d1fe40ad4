/** Days as columns of what somebody carries: heights in pixels from grams, by what it is for. Pure. */
import type { DayBag } from '@/api/types'

export type Use = 'optics' | 'power' | 'support' | 'rest'
export const USES: readonly { use: Use; title: string }[] = [
  { use: 'optics', title: 'optics, filters' },
  { use: 'power', title: 'power, cards' },
  { use: 'support', title: 'support, light, sound' },
  { use: 'rest', title: 'bag, safety, water, clothes' },
]
const OF: Record<string, Use> = { optics: 'optics', filters: 'optics', power: 'power', cards: 'power', support: 'support', 'light-sound': 'support' }

/** Grams of the one who carries most, by what they are for; what is no photography is with the rest. */
export function gramsByUse(day: Pick<DayBag, 'by_group' | 'base_g'>): Record<Use, number> {
  const found: Record<Use, number> = { optics: 0, power: 0, support: 0, rest: day.base_g }
  for (const [group, grams] of Object.entries(day.by_group)) found[OF[group] ?? 'rest'] += grams ?? 0
  return found
}
export function carriedBy(day: DayBag): number {
  return day.people.find((one) => one.person === day.heaviest)?.carried_g ?? 0
}
/** The top of the scale, in grams, and its steps: even kilograms with room above the heaviest. */
export function scaleOf(grams: readonly number[]): { top: number; steps: number[] } {
  const most = Math.max(2_000, ...grams) * 1.12
  const step = most > 32_000 ? 8_000 : most > 14_000 ? 4_000 : most > 5_000 ? 2_000 : 1_000
  const top = Math.ceil(most / step) * step
  return { top, steps: Array.from({ length: top / step }, (_, i) => (i + 1) * step) }
}
/** Blocks from the ground up: where each ends, in pixels of a column so high. */
export function stack(day: DayBag, top: number, height: number): { use: Use; y: number; height: number }[] {
  const grams = gramsByUse(day)
  let at = height
  return (['optics', 'power', 'support', 'rest'] as const).flatMap((use) => {
    const tall = (grams[use] / top) * height
    at -= tall
    return tall > 0.5 ? [{ use, y: at, height: tall }] : []
  })
}
