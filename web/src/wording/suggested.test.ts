import { expect, test } from 'vitest'
import type { DaysServed, Entry, PieceKind } from '@/api/types'
import { kit, point } from '@/testing/answers'
import { NAMES, thing } from '@/testing/mount'
import { bagsText, dayLines, heaviestText } from './suggested'

const day = { bag: 'ridge', person: 'ines', score: 95, whole: 100, proved: true }
const SERVED: DaysServed = {
  heaviest_g: 9333,
  days: [
    { ...day, days: ['2027-02-23'], bag_g: 9333, carried_g: 11_400, well_g: 11_000 },
    { ...day, days: ['2027-02-24', '2027-02-25'], bag_g: 6000, carried_g: 7000, well_g: null, score: 40 },
  ],
}

test('the heaviest day’s bag, and each day with what is too much or too little', () => {
  expect(heaviestText(SERVED, NAMES, 'metric')).toBe('9.33 kg on Tue 23 Feb, in RIDGE on ines')
  expect(dayLines(SERVED, NAMES, 'metric')).toEqual([
    { when: 'Tue 23 Feb', bag_g: 9333, carried: 'ines 11.40 kg of 11 kg', over: true, less: '' },
    { when: 'Wed 24 Feb, Thu 25 Feb', bag_g: 6000, carried: 'ines 7.00 kg', over: false, less: 'covers 40 of 100 %' },
  ])
  expect(heaviestText({ heaviest_g: 0, days: [] }, NAMES, 'metric')).toBe('')
})
test('the bags of a point, with inserts in them and without what is checked in', () => {
  const things = new Map([thing('ridge', 'bag'), thing('duffel', 'bag'), thing('cube', 'insert'), thing('body', 'body')].map((t) => [t.id, t]))
  const piece = (item: string, as: PieceKind): Entry => ({ item, count: 1, place: { where: 'piece', piece: as, person: 'ines' } })
  const inside = (item: string): Entry => ({ item, count: 1, place: { where: 'bag', bag: 'ridge', outside: false } })
  const made = point({ kit: kit([piece('ridge', 'cabin'), piece('duffel', 'hold'), inside('cube'), inside('body')]) })
  expect(bagsText(made, things, NAMES)).toBe(`${things.get('ridge')!.name} on ines, ${things.get('cube')!.name} in RIDGE`)
})
