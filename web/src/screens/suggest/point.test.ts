import { describe, expect, it } from 'vitest'
import type { Point, Thing } from '@/api/types'
import { changes } from './point'

const things = new Map([
  ['lens', { name: '24–70', mass_g: 806 }],
  ['pack', { name: 'LB-4', mass_g: 82 }],
  ['tele', { name: '100–400', mass_g: 1396 }],
] as unknown as [string, Thing][])
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
