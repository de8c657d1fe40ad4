import { expect, it } from 'vitest'
import type { ProposedOuting } from '@/api/types'
import { lightestKnown } from './known'

function outing(carried_g: number, share: number, more: Partial<ProposedOuting> = {}): ProposedOuting {
  return { way: 'any', share, bag: 'ridge', person: 'ines', kit: { id: 'a', name: 'A', note: '', entries: [], stow: { gap_mm: 8, pins: [], mounts: [], hangs: [], rides: [], wishes: [], nests: [], loadouts: [] } }, carried_g, score: 1, whole_score: 1, proved: false, left: {}, wants: [], packs: [], lost_gb: 0, people: [], findings: [], ...more }
}

it('a search that ran out of time takes nothing back that the curve told', () => {
  const told = outing(7630, 0.5)
  expect(lightestKnown(outing(7880, 0.5), [outing(9000, 1), told])).toBe(told)
})
it('what serves more serves less, too', () => {
  const more = outing(7500, 0.65)
  expect(lightestKnown(outing(7880, 0.5), [more])).toBe(more)
})
it('what serves less, is heavier, does not all go in, or is another way stays where it is', () => {
  const made = outing(7880, 0.65)
  expect(lightestKnown(made, [outing(7000, 0.5), outing(7880.3, 0.65), outing(7000, 0.65, { left: { legs: 1 } })])).toBe(made)
  const zoom = outing(7880, 0.65, { way: 'one-zoom' })
  expect(lightestKnown(zoom, [outing(7000, 0.65)])).toBe(zoom)
})
