import { expect, it } from 'vitest'
import type { Assessment } from '@/api/types'
import { bagScales, briefScale, refusal } from './scales'

function piece(bag: string, mass_g: number) {
  return { bag, person: 'ines', piece: 'cabin' as const, mass_g, size_mm: [1, 1, 1], bare_mm: [1, 1, 1], squeeze_mm: 0 }
}
function check(bag: string, leg: string, allowed: number) {
  return { leg, limit: 'mass' as const, piece: 'cabin' as const, person: 'ines', bag, value: 0, allowed, passes: true }
}

it('puts each bag against its strictest leg, the worst bag first', () => {
  const assessment = {
    loads: { pieces: [piece('light', 3000), piece('heavy', 8500), piece('free', 20000)] },
    legs: [{ checks: [check('light', 'big', 10000), check('heavy', 'big', 10000)] }, { checks: [check('light', 'small', 8000), check('heavy', 'small', 8000)] }],
  } as unknown as Assessment
  const scales = bagScales(assessment)
  expect(scales.map((s) => [s.bag, s.limit_g, s.leg])).toEqual([
    ['heavy', 8000, 'small'],
    ['light', 8000, 'small'],
    ['free', null, null],
  ])
})
it('names the weakest want', () => {
  const assessment = { coverage: { score: 80, wants: [{ want: 'a', cover: 0.9 }, { want: 'b', cover: 0.4 }] } } as unknown as Assessment
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
