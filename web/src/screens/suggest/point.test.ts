import { describe, expect, it } from 'vitest'
import type { Choice, Point, Thing } from '@/api/types'
import { part } from '@/testing/part'
import { cameTo, changes } from './point'

const things = new Map<string, Thing>([
  ['lens', part<Thing>({ name: '24–70', mass_g: 806 })],
  ['pack', part<Thing>({ name: 'LB-4', mass_g: 82 })],
  ['tele', part<Thing>({ name: '100–400', mass_g: 1396 })],
])
const at = { where: 'worn' as const, person: 'ines' }

function point(entries: [string, number][]): Point {
  return { kit: { id: 'a', name: 'A', entries: entries.map(([item, count]) => ({ item, count, place: at })) } } as Point
}

describe('a point against the kit on the table', () => {
  it('says what enters and what leaves, heaviest first, with pieces and grams', () => {
    const made = changes(new Map([['lens', 1], ['pack', 1]]), point([['pack', 3], ['tele', 1]]), things)
    expect(made.enters).toEqual([
      { item: 'tele', name: '100–400', count: 1, mass_g: 1396 },
      { item: 'pack', name: 'LB-4', count: 2, mass_g: 164 },
    ])
    expect(made.leaves).toEqual([{ item: 'lens', name: '24–70', count: -1, mass_g: -806 }])
  })
  it('is silent about what stays', () => {
    expect(changes(new Map([['lens', 1]]), point([['lens', 1]]), things)).toEqual({ enters: [], leaves: [] })
  })
})

it.each([
  [20, 20, { stopped: false }, '20 kits, all proved'],
  [2, 2, { stopped: false }, '2 kits, all proved'],
  [7, 7, null, 'stopped at 7 of 20 kits, each of them proved'],
  [7, 6, { stopped: true }, 'out of time at 7 of 20 kits, 6 of them proved'],
  [0, 0, null, 'stopped before the first kit'],
])('says how far a search of %i points, %i proved, came', (found, proved, choice, text) => {
  const points = Array.from({ length: found }, (_, i) => ({ proved: i < proved }) as Point)
  expect(cameTo(points, 20, choice as Choice | null)).toBe(text)
})
