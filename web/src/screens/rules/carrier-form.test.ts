import { expect, it } from 'vitest'
import type { Carrier } from '@/api/types'
import { ruleFor, summary, withRule, withSide } from './carrier-form'

const carrier: Carrier = {
  id: 'c',
  name: 'C',
  means: 'plane',
  source: '',
  restricted: [],
  pieces: [
    { piece: 'cabin', count: 1, size_mm: [550, 400, 230], mass_g: 8000, soft_only: false },
    { piece: 'hold', count: 0, soft_only: false },
  ],
  together: [{ pieces: ['cabin', 'personal'], mass_g: 12000 }],
}
it('sums a carrier up in one line', () => {
  expect(summary(carrier, 'metric')).toBe('cabin 55 × 40 × 23 cm, 8 kg · no hold bag · cabin + personal 12 kg together')
  expect(summary({ ...carrier, pieces: [], together: [] }, 'metric')).toBe('no limits')
})
it('leaves a rule out when its last limit is cleared', () => {
  const cleared = withRule(carrier, { piece: 'cabin', count: null, size_mm: null, sum_mm: null, mass_g: null, soft_only: false })
  expect(cleared.pieces!.map((r) => r.piece)).toEqual(['hold'])
})
it('adds a rule for a kind that had none', () => {
  const added = withRule(carrier, { ...ruleFor(carrier, 'personal'), mass_g: 3000 })
  expect(added.pieces!.map((r) => r.piece)).toEqual(['cabin', 'personal', 'hold'])
})
it('keeps a frame until its last side is cleared', () => {
  expect(withSide([550, 400, 230], 2, null)).toEqual([550, 400, null])
  expect(withSide([550, null, null], 0, null)).toBeNull()
  expect(withSide(null, 1, 400)).toEqual([null, 400, null])
})
