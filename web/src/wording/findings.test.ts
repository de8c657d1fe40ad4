import { describe, expect, it } from 'vitest'
import type { Cure, CureCode, Finding, FindingCode } from '@/api/types'
import { CODES, cureText, say } from './findings'

const names = {
  thing: (id: string) => ({ lb4: 'LB-4', c1: 'C1', ridge: 'Ridge 32', tele: '1.4×' })[id] ?? id,
  person: () => 'Ines',
  leg: () => 'Small plane',
  want: () => 'Sea eagles',
}
function finding(code: FindingCode, more: Partial<Finding> = {}): Finding {
  return { code, severity: 'caution', stations: ['bench'], curable: false, numbers: {}, items: [], refs: {}, cures: [], ...more }
}

describe('sentences', () => {
  it('tell an overweight bag with its numbers', () => {
    const said = say(
      finding('leg-mass', { numbers: { value: 8567, allowed: 8000, over: 567, legs: 2 }, items: ['ridge'], refs: { leg: 'l', person: 'p', piece: 'cabin' } }),
      names,
      'metric',
    )
    expect(said.head).toBe('Cabin bag, Ines: 567 g over.')
    expect(said.body).toBe('Ridge 32 weighs 8.57 kg; Small plane allows 8 kg, and on 1 more leg.')
  })
  it('tell a gap with what holds it back', () => {
    const said = say(finding('gap', { numbers: { from_mm: 542, to_mm: 680 }, refs: { want: 'w', because: 'pixels' } }), names, 'metric')
    expect(said.head).toBe('Gap 542–680 mm.')
    expect(said.body).toContain('Wanted for Sea eagles. Cropping that far leaves too few pixels.')
  })
  it('exist for every code that a rule of the core can yield, and never shout', () => {
    // That each code has one, the compiler sees; what they say with nothing known, it does not.
    for (const code of CODES) {
      const said = say(finding(code, { items: ['c1'], refs: { want: 'w' }, numbers: {} }), names, 'metric')
      expect(said.head, code).not.toBe(code)
      expect(said.head + said.body, code).not.toMatch(/!|undefined|NaN/)
    }
  })
})

describe('cures', () => {
  const cure = (more: Partial<Cure> & { code: CureCode }): Cure => ({ edits: [], mass_change_g: 0, numbers: {}, ...more })
  it.each([
    [cure({ code: 'load', edits: [{ act: 'load', item: 'lb4', count: 2 }], mass_change_g: 164 }), 'Load 2 × LB-4 (+164 g)'],
    [cure({ code: 'load', edits: [{ act: 'load', item: 'c1', count: 1 }, { act: 'load', item: 'tele', count: 1 }], mass_change_g: 894 }), 'Load C1 and 1.4× (+894 g)'],
    [cure({ code: 'leave', edits: [{ act: 'leave', item: 'c1' }], mass_change_g: -716, numbers: { points: 17.1 } }), 'Leave C1 (−716 g, costs 17.1 points)'],
    [cure({ code: 'move', edits: [{ act: 'move', item: 'c1', place: { where: 'bag', bag: 'ridge', outside: false } }], numbers: { moved_g: 716 } }), 'Move C1 to Ridge 32 (716 g)'],
    [cure({ code: 'wear', edits: [{ act: 'move', item: 'c1', place: { where: 'worn', person: 'p', unplaced: false } }], numbers: { moved_g: 716 } }), 'Carry C1 on Ines (moves 716 g)'],
    [cure({ code: 'crop-mode', numbers: { crop: 1.5, to_mm: 105, megapixels: 20 } }), '1.5× crop mode reaches 105 mm with 20 MP left (0 g)'],
    [cure({ code: 'stitch', numbers: { frames: 3, to_mm: 16 } }), '3 stitched frames see as wide as 16 mm (0 g)'],
  ] as [Cure, string][])('%# say what to do with its price', (given, text) => {
    expect(cureText(given, names, 'metric')).toBe(text)
  })
})
