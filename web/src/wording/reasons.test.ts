import { describe, expect, it } from 'vitest'
import schema from '../../../docs/plan.schema.json'
import type { Reason, Trip } from '@/api/types'
import { reasonText, whyAbove } from './reasons'

const names = { thing: (id: string) => `thing ${id}`, person: () => 'Ines', leg: () => 'Small plane', want: () => 'Sea eagles' }
const trip = { marks: { slots: [{ id: 'long', name: 'One long zoom', items: ['a', 'b'] }] } } as unknown as Trip
const CODES: Reason['code'][] = ['must-take', 'must-leave', 'slot', 'need', 'leg', 'person', 'volume', 'limit', 'policy-lenses', 'policy-second-body', 'policy-gaps', 'pictures']

describe('reasons', () => {
  it.each(CODES)('%s is a whole sentence', (code) => {
    const said = reasonText({ code, refs: {}, numbers: {} }, names, 'metric', trip)
    expect(said).toMatch(/^[A-Zt].*\.$/)
    expect(said).not.toMatch(/undefined|NaN|!/)
  })
  it('name the slot, the leg and the grams', () => {
    expect(reasonText({ code: 'slot', refs: { slot: 'long' }, numbers: {} }, names, 'metric', trip)).toBe('One long zoom takes this or that, not both.')
    expect(reasonText({ code: 'leg', refs: { leg: 'l', bag: 'r' }, numbers: { allowed_g: 8000 } }, names, 'metric', trip)).toBe('Small plane takes 8.00 kg in thing r.')
  })
  it('say once for all things of a kind why an own kit lies above the curve', () => {
    const kept = ['a', 'b', 'c', 'd', 'e'].map((item) => ({ code: 'kept' as const, refs: { item }, numbers: { mass_g: 100 } }))
    const own = { kit: 'k', carried_g: 0, score: 0, above: true, why: [...kept, { code: 'lasts' as const, refs: {}, numbers: { days: 2, of_days: 5 } }] }
    expect(whyAbove(own, 'Kit B', names, 'metric')).toBe('Kit B lies above the curve: it does without thing a 100 g, thing b 100 g, thing c 100 g and 2 more, which stay here in any case; its power and cards carry 2 of 5 days, the curve’s all of them.')
    expect(whyAbove({ ...own, why: kept.slice(0, 1) }, 'Kit B', names, 'metric')).toContain('which stays here in any case.')
  })
  it('say what an own kit lacks, breaks or does without', () => {
    const why = (code: 'slot' | 'policy' | 'lacks' | 'effect' | 'lasts', refs: Record<string, string>) => whyAbove({ kit: 'k', carried_g: 0, score: 0, above: true, why: [{ code, refs, numbers: {} }] }, 'Kit B', names, 'metric')
    expect(why('lacks', { item: 'a', what: 'card', label: 'SD' })).toMatch(/thing a .*SD.*\.$/)
    expect(why('lacks', { what: 'pack', label: 'LB-4' })).toBe('Kit B lies above the curve: it has fewer LB-4 packs than run at one time.')
    expect(why('effect', { want: 'w', label: 'nd' })).toMatch(/it has no .* for Sea eagles\.$/)
    expect(why('policy', { policy: 'gaps' })).toContain('it has gaps, which you refused')
    expect(why('slot', {})).toContain('share one place')
    expect(why('lasts', { part: 'copies' })).toContain('fewer places than you asked')
  })
  it('are written beside a schema that knows marks', () => {
    expect(Object.keys(schema.$defs)).toContain('Marks')
  })
})
