import { describe, expect, it } from 'vitest'
import schema from '../../../docs/plan.schema.json'
import type { OwnKit, Reason } from '@/api/types'
import { reasonText, whyAbove } from './reasons'

const names = { thing: (id: string) => `thing ${id}`, person: () => 'Ines', leg: () => 'Small plane', want: () => 'Sea eagles' }
const trip = { marks: { must_take: [], must_leave: [], slots: [{ id: 'long', name: 'One long zoom', items: ['a', 'b'] }] } }
const REASONS: { [C in Reason['code']]: Extract<Reason, { code: C }> } = {
  'must-take': { code: 'must-take', item: 'a', here: false },
  'must-leave': { code: 'must-leave', item: 'a', held: true },
  slot: { code: 'slot', slot: 'long' },
  need: { code: 'need', item: 'a', what: 'card', label: 'SD' },
  'leg-of-bag': { code: 'leg-of-bag', leg: 'l', bag: 'r', allowed_g: 8000 },
  'leg-of-person': { code: 'leg-of-person', leg: 'l', person: 'p', allowed_g: 8000 },
  person: { code: 'person', person: 'p', allowed_g: 9000 },
  volume: { code: 'volume', bag: 'r', room_l: 12 },
  limit: { code: 'limit', limit_g: 4000, kept_g: 4200 },
  'policy-lenses': { code: 'policy-lenses', policy: 'one-zoom' },
  'policy-second-body': { code: 'policy-second-body', policy: 'twin' },
  'policy-gaps': { code: 'policy-gaps', want: 'w' },
  pictures: { code: 'pictures', because: 'no-lens' },
}
const said = (reason: Reason) => reasonText(reason, names, 'metric', trip)
const ABOVE = { kit: 'k', carried_g: 0, score: 0, above: true }

describe('reasons', () => {
  it.each(Object.values(REASONS))('$code is a whole sentence', (reason) => {
    expect(said(reason)).toMatch(/^[A-Zt].*\.$/)
    expect(said(reason)).not.toMatch(/undefined|NaN|!/)
  })
  it('name the slot, the leg, the grams, and what is in the way', () => {
    expect(said(REASONS.slot)).toBe('One long zoom: take only one of them.')
    expect(said(REASONS['leg-of-bag'])).toBe('Small plane takes 8.00 kg in thing r.')
    expect(said(REASONS['leg-of-person'])).toBe('Small plane takes 8.00 kg from Ines.')
    expect(said(REASONS['must-take'])).toBe('thing a is marked “always take”, but it is not here in time.')
    expect(said({ ...REASONS['must-take'], here: true })).toBe('thing a is marked “always take”.')
    expect(said({ ...REASONS['must-leave'], held: false })).toBe('thing a is marked “leave at home”.')
  })
  it('say once for all things of a kind why an own kit lies above the curve', () => {
    const kept = ['a', 'b', 'c', 'd', 'e'].map((item) => ({ code: 'kept' as const, item, mass_g: 100 }))
    expect(whyAbove({ ...ABOVE, why: [...kept, { code: 'lasts', days: 2, of_days: 5 }] }, 'Kit B', names, 'metric')).toBe('Kit B is above the curve: it leaves thing a 100 g, thing b 100 g, thing c 100 g and 2 more, which the search always takes; its power and cards last 2 of 5 days; kits on the curve last them all.')
    expect(whyAbove({ ...ABOVE, why: kept.slice(0, 1) }, 'Kit B', names, 'metric')).toContain('which the search always takes.')
  })
  it('say what an own kit lacks, breaks or does without', () => {
    const why = (one: OwnKit['why'][number]) => whyAbove({ ...ABOVE, why: [one] }, 'Kit B', names, 'metric')
    expect(why({ code: 'lacks', item: 'a', what: 'card', label: 'SD' })).toMatch(/thing a .*SD.*\.$/)
    expect(why({ code: 'packs', type: 'LB-4' })).toBe('Kit B is above the curve: it has fewer LB-4 batteries than its gear runs on at once.')
    expect(why({ code: 'effect', want: 'w', effect: 'nd' })).toMatch(/it has no .* for Sea eagles\.$/)
    expect(why({ code: 'policy', policy: 'gaps' })).toContain('it has gaps, which you do not allow')
    expect(why({ code: 'slot', slot: 'long' })).toContain('take-one group')
    expect(why({ code: 'copies' })).toContain('fewer copies than you planned')
  })
  it('are written beside a schema that knows marks', () => {
    expect(Object.keys(schema.$defs)).toContain('Marks')
  })
})
