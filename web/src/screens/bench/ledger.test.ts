import { expect, it } from 'vitest'
import type { Advice, Entry, Thing } from '@/api/types'
import { ledger } from './ledger'
import { cellOf, matThings, MOST_DRAWN } from './mat-cells'

function thing(id: string, kind: Thing['kind'], mass_g: number, more: object = {}): Thing {
  return { id, kind, name: id, count: 1, mass_g, size: { shape: 'box', length_mm: 100, width_mm: 80, height_mm: 50 }, ...more } as Thing
}
const THINGS = new Map(
  [
    thing('bag', 'bag', 1900, { size: { shape: 'box', length_mm: 500, width_mm: 300, height_mm: 200 } }),
    thing('wide', 'lens', 500, { focal_min_mm: 16 }),
    thing('long', 'lens', 1400, { focal_min_mm: 100 }),
    thing('body', 'body', 700),
    thing('pack', 'battery', 82, { count: 9 }),
  ].map((t) => [t.id, t]),
)
const at = (item: string, count: number): [string, Entry[]] => [item, [{ item, count, place: { where: 'worn', person: 'p', unplaced: false } }]]

it('adds up grams by heading and sorts by worth', () => {
  const worth: Advice['worth'] = [{ item: 'wide', points: 5, direct: 5, backup: 0 }, { item: 'long', points: 20, direct: 20, backup: 0 }]
  const groups = ledger(THINGS, new Map([at('wide', 1), at('long', 1), at('pack', 3)]), worth)
  expect(groups.map((g) => [g.group, g.mass_g])).toEqual([
    ['optics', 1900],
    ['power', 246],
  ])
  expect(groups[0]!.rows.map((r) => r.thing.id)).toEqual(['long', 'wide'])
  expect(groups[1]!.rows[0]!.worth).toBeNull()
})

it('lays bodies before lenses, lenses from wide to long, bags last', () => {
  expect(matThings(THINGS.values(), null, '').map((t) => t.thing.id)).toEqual(['body', 'wide', 'long', 'pack', 'bag'])
})
it('shows only the groups and names asked for', () => {
  expect(matThings(THINGS.values(), ['power'], '').map((t) => t.thing.id)).toEqual(['pack'])
  expect(matThings(THINGS.values(), null, 'LON').map((t) => t.thing.id)).toEqual(['long'])
})
it('draws at most a handful of pieces and gives every thing room for its label', () => {
  const pack = matThings(THINGS.values(), ['power'], '')[0]!
  expect(pack.pieces).toBe(MOST_DRAWN)
  expect(cellOf(pack, 0.5).width).toBeGreaterThan(50)
})
it('keeps true proportions: twice the scale is twice as wide', () => {
  const bag = matThings(THINGS.values(), ['carry'], '')[0]!
  // A backpack stands: 300 mm wide, 500 mm high.
  expect(cellOf(bag, 0.8).width - cellOf(bag, 0.4).width).toBeCloseTo(120)
  expect(cellOf(bag, 0.8).height - cellOf(bag, 0.4).height).toBeCloseTo(200)
})
