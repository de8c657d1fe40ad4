import { expect, it } from 'vitest'
import type { Assessment } from '@/api/types'
import { lasts, packs } from '@/testing/answers'
import { part } from '@/testing/part'
import { backNote, bagScales, briefScale, cardScale, powerScale, refusal } from './scales'

function piece(bag: string, mass_g: number) {
  return { bag, person: 'ines', piece: 'cabin' as const, mass_g, size_mm: [1, 1, 1], bare_mm: [1, 1, 1], squeeze_mm: 0 }
}
function check(bag: string, leg: string, allowed: number) {
  return { leg, limit: 'mass' as const, piece: 'cabin' as const, person: 'ines', bag, value: 0, allowed, passes: true, squeeze_mm: 0 }
}

it('puts each bag against its strictest leg, the worst bag first', () => {
  const assessment = part<Assessment>({
    loads: { pieces: [piece('light', 3000), piece('heavy', 8500), piece('free', 20000)] },
    legs: [{ checks: [check('light', 'big', 10000), check('heavy', 'big', 10000)] }, { checks: [check('light', 'small', 8000), check('heavy', 'small', 8000)] }],
  })
  const scales = bagScales(assessment)
  expect(scales.map((s) => [s.bag, s.limit_g, s.leg])).toEqual([
    ['heavy', 8000, 'small'],
    ['light', 8000, 'small'],
    ['free', null, null],
  ])
})
it('names the weakest want', () => {
  const assessment = part<Assessment>({ coverage: { score: 80, wants: [{ want: 'a', cover: 0.9 }, { want: 'b', cover: 0.4 }] } })
  expect(briefScale(assessment)).toEqual({ score: 80, weakest: 'b' })
})

it.each([
  ['mass', 8567, 8000, '567 g over'],
  ['together', 12500, 12000, '500 g over together'],
  ['size', 240, 230, '1 cm too big'],
  ['sum', 1160, 1150, '1 cm too big in all'],
  ['count', 2, 1, '2 pieces, 1 may go'],
] as const)('says a refused %s in a few words', (limit, value, allowed, text) => {
  expect(refusal({ ...check('bag', 'leg', allowed), limit, value, passes: false }, 'metric')).toBe(text)
})

const card = (loaded: number) => ({ type: 'SD', loaded, needed: 2, full_on: null })

it.each<[Partial<Assessment['lasts']>, number | null, string]>([
  [{ days: 0, power_days: 'no-days' }, null, 'no days yet'],
  [{ power_days: 'nothing-asks' }, null, 'nothing loaded needs power'],
  [{ power_days: 'no-camera' }, null, 'no camera loaded'],
  [{ types: [packs('AAA', 0)], missing: ['AAA'], power_days: 'none-loaded' }, null, 'no AAA loaded'],
  [{ types: [packs('AAA', 0), packs('LB', 2, { short_on: '2027-02-21' })], missing: ['AAA'], power_days: 1 }, 1, 'LB short, Sun 21 Feb'],
  [{ types: [packs('LB', 2, { worst_margin: 0.5 }), packs('AAA', 2, { worst_margin: 0.2 })] }, 3, '20 % to spare, AAA'],
  [{ types: [packs('LB', 2, { worst_margin: 0.5 })], nights_told: false }, 3, 'nights not set: 8 h of 2 outlets assumed'],
])('counts no day of power that nothing was asked for', (more, days, note) => {
  expect(powerScale(lasts(more), (id) => id, true)).toEqual({ days, note })
})
it.each<[Partial<Assessment['lasts']>, number | null, string]>([
  [{ card_days: 'no-camera' }, null, 'no camera loaded'],
  [{ card_days: 'slots-unknown' }, null, 'card slots of the camera unknown'],
  [{ cards: [card(0)], card_days: 'none-loaded' }, null, 'no SD card loaded'],
  [{ cards: [card(0), card(0)], card_days: 'none-loaded' }, null, 'no card loaded'],
  [{ cards: [card(1)], card_days: 1 }, 1, 'then no card is left'],
  [{ cards: [card(3)], copies_fewest: 1, copies_short: 1, copies_short_on: '2027-02-20' }, 3, 'in 1 of 2 places, Sat 20 Feb'],
  [{ cards: [card(3)], copies_fewest: 0, copies_short: 3, copies_short_on: '2027-02-20' }, 3, 'in 0 of 2 places, 3 nights from Sat 20 Feb'],
  [{ cards: [card(3)], copies_fewest: null }, 3, 'no pictures planned'],
  [{ cards: [card(3)] }, 3, 'in 2 places every night'],
])('counts no night of cards that nothing was written to', (more, days, note) => {
  expect(cardScale(lasts(more))).toEqual({ days, note })
})
it('says that body mass is not given only where it is not', () => {
  expect([backNote(undefined), backNote(null), backNote(0), backNote(0.15)]).toEqual(['no people yet', 'body mass not given', '0 % of body mass', '15 % of body mass'])
})
