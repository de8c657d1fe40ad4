import { expect, test } from 'vitest'
import type { Act, BagSet, Shared, Spare, Thing } from '@/api/types'
import { part } from '@/testing/part'
import type { Names } from './names'
import { actText, bagFacts, quickText, ranked, setName, sharedText, sharesText, spareText, triedText, verdict } from './bags'

const NAMES: Names = { thing: (id) => ({ r32: 'Ridge 32', cube: 'Cube, large', duffel: 'Duffel 60', c1: 'Corrie C1', legs: 'Legs' })[id] ?? id, person: (id) => ({ ines: 'Ines', marit: 'Marit' })[id] ?? id, leg: (id) => ({ small: 'Small plane' })[id] ?? id, want: (id) => id }
const PLAIN: BagSet = part<BagSet>({ key: 'k', bags: ['r32', 'duffel'], inserts: { cube: 'r32' }, kit: { id: 'b', name: 'B' }, left: {}, proved: true, litres: 3.1, empty_g: 2488, total_g: 9000, on_foot_g: 8570, who: 'ines', over_g: 0, refused: [], legs: [], quick: [], serves: [] })
const set = (changes: Partial<BagSet>): BagSet => ({ ...PLAIN, ...changes })
const leg = (passes: boolean, over = 0): BagSet['legs'][number] => ({ leg: 'small', carrier: 'a', passes, limits: true, checks: [{ leg: 'small', limit: 'mass', piece: 'cabin', person: 'ines', bag: 'r32', value: 8000 + over, allowed: 8000, passes, squeeze_mm: 0 }] })

test('a set is named by its bags, with what is in them', () => {
  expect(setName(PLAIN, NAMES)).toBe('Ridge 32 + Cube, large · Duffel 60')
})

test('the verdict says what is over, and which leg does not allow it', () => {
  expect(verdict(set({ legs: [leg(true)] }), NAMES, 'metric')).toEqual({ text: 'everything fits; the leg allows it', severity: 'fine' })
  expect(verdict(set({ legs: [leg(false, 567)], refused: ['small'] }), NAMES, 'metric')).toEqual({ text: 'everything fits; Small plane: 567 g over', severity: 'caution' })
  const over = verdict(set({ left: { legs: 1, c1: 2 }, proved: false }), NAMES, 'metric')
  expect(over).toEqual({ text: '3 items left over, as far as tried: Legs and 2 × Corrie C1', severity: 'blocker' })
})

test('quick things with what lies on top of them', () => {
  expect(quickText(set({ quick: [{ item: 'c1', bag: 'r32', access: 'open', layer: 1 }, { item: 'legs', bag: 'r32', access: 'quick', layer: 0 }] }), NAMES)).toBe('Corrie C1: one zip, 1 item on top; Legs: without taking it off')
})

test('the kit as it is stands on top; then what takes all, what flies, what is light', () => {
  const all = [set({ key: 'now', left: { c1: 1 } }), set({ key: 'heavy', on_foot_g: 9000 }), set({ key: 'light', on_foot_g: 7000 }), set({ key: 'over', left: { c1: 1 }, on_foot_g: 10 }), set({ key: 'refused', refused: ['small'], on_foot_g: 5000 })]
  expect(ranked(all).map((s) => s.key)).toEqual(['now', 'light', 'heavy', 'refused'])
  expect(ranked(all.slice(2)).map((s) => s.key)).toEqual(['light', 'refused', 'over'])
})

test('how far the search is', () => {
  expect(triedText(12, 152, 3, true)).toBe('12 of 152 sets packed; 3 that no other beats in everything so far')
  expect(triedText(12, 152, 3, false)).toBe('stopped after 12 of 152 sets; 3 that no other beats in everything')
  expect(triedText(152, 152, 6, false)).toBe('152 sets tried; 6 that no other beats in everything')
})

test('facts of a bag: harness, cover, straps, seat', () => {
  const bag = part<Thing>({ kind: 'bag', id: 's', name: 'Sling', mass_g: 1, size: { shape: 'box', length_mm: 290, width_mm: 190, height_mm: 120 }, volume_l: 6, piece: 'personal', squeeze_mm: 20, straps: 1, strap_mm: 600, hip_belt: true, chest_strap: true, back_mm: 460, rain_cover: true, looks: 'plain', unpadded: true, compartments: [] })
  expect(Object.fromEntries(bagFacts(bag, 'metric').map((f) => [f.what, f.said]))).toEqual({ 'on the back': 'back 46 cm, hip belt and chest strap', 'rain cover': 'its own', 'straps outside': '1 to 60 cm', 'under the seat': '29 × 19 × 10 cm', padding: 'none: lenses only in an insert', 'looks like': 'any bag' })
  expect(bagFacts(undefined, 'metric')).toEqual([])
})

test('a move, and what all of them come to', () => {
  const act = part<Act>({ items: ['c1', 'legs'], count: 1, mass_g: 900, from_person: 'ines', to_person: 'marit', edits: [{ act: 'move', item: 'c1', place: { where: 'bag', bag: 'r32' } }] })
  expect(actText(act, NAMES)).toEqual({ what: 'Corrie C1 with Legs', where: 'Ridge 32, Marit' })
  const over = { leg: 'small', bags: ['r32'], allowed_g: 8000, before_over_g: 567, after_over_g: 0 }
  const shared = { measure: 'grams', people: [], over: [over], gone: [], new: [] } as Shared
  expect(sharedText(shared, NAMES, 'metric')).toBe('Then every leg allows the bags.')
  expect(sharedText({ ...shared, over: [{ ...over, after_over_g: 40 }] }, NAMES, 'metric')).toBe('Small plane is still 40 g over.')
  expect(sharesText([{ person: 'ines', beforeShare: 0.89, afterShare: 0.68 }], 'carries-well', NAMES)).toBe('Of each comfortable load (the dashed line): Ines 89\u00a0%, then 68\u00a0%.')
})

test('what a spare stands in for', () => {
  const spare = { item: 'clamp', mass_g: 312, owned: true, points: 100, days: 0, covers: ['legs', 'c1'] } as Spare
  expect(spareText(spare, NAMES)).toBe('stands in for Legs and Corrie C1')
  expect(spareText({ ...spare, covers: ['legs'], days: 3 }, NAMES)).toBe('stands in for Legs; batteries last 3 days longer without it')
  expect(spareText({ ...spare, covers: ['legs', 'c1', 'r32', 'cube', 'duffel'] }, NAMES)).toBe('stands in for Legs, Corrie C1, Ridge 32 and 2 more')
})
