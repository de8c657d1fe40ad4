import { describe, expect, it } from 'vitest'
import type { DayBag } from '@/api/types'
import { part } from '@/testing/part'
import { carriedBy, gramsByUse, scaleOf, stack } from './days'

const bag = part<DayBag>({
  heaviest: 'ines',
  by_group: { optics: 2_000, filters: 100, power: 200, cards: 10, support: 1_500, 'light-sound': 90, carry: 1_700, safety: 300, other: 600 },
  base_g: 1_500,
  people: [
    { person: 'ines', carried_g: 8_000 },
    { person: 'marit', carried_g: 900 },
  ],
})

describe('days as columns', () => {
  it('adds headings up by what they are for, and what is no photography to the rest', () => {
    expect(gramsByUse(bag)).toEqual({ optics: 2_100, power: 210, support: 1_590, rest: 4_100 })
    expect(Object.values(gramsByUse(bag)).reduce((a, b) => a + b)).toBe(carriedBy(bag))
  })
  it('has room above the heaviest day, in even steps', () => {
    for (const most of [0, 900, 4_000, 9_770, 12_400, 22_000, 40_000]) {
      const { top, steps } = scaleOf([most])
      expect(top).toBeGreaterThan(most * 1.1)
      expect(steps.at(-1)).toBe(top)
      expect(steps.length).toBeLessThanOrEqual(8)
    }
  })
  it('stacks blocks on each other from the ground to what is carried', () => {
    const blocks = stack(bag, 16_000, 160)
    expect(blocks.map((b) => b.use)).toEqual(['optics', 'power', 'support', 'rest'])
    expect(blocks[0]!.y + blocks[0]!.height).toBeCloseTo(160)
    for (let i = 1; i < blocks.length; i++) expect(blocks[i]!.y + blocks[i]!.height).toBeCloseTo(blocks[i - 1]!.y)
    expect(blocks.at(-1)!.y).toBeCloseTo(80)
  })
})
