import { describe, expect, it } from 'vitest'
import { finding } from '@/testing/findings'
import { CODES, say } from './findings'

const names = {
  thing: (id: string) => ({ lb4: 'LB-4', c1: 'C1', ridge: 'Ridge 32', tele: '1.4×' })[id] ?? id,
  person: () => 'Ines',
  leg: () => 'Small plane',
  want: () => 'Sea eagles',
}

describe('sentences', () => {
  it('tell an overweight bag with its numbers', () => {
    const said = say(
      finding('leg-mass', { mass_g: 8567, allowed_g: 8000, over_g: 567, legs: 2, items: ['ridge'], leg: 'l', person: 'p', piece: 'cabin' }),
      names,
      'metric',
    )
    expect(said.head).toBe('Cabin bag, Ines: 567 g over.')
    expect(said.body).toBe('Ridge 32 weighs 8.57 kg; Small plane allows 8 kg, and on 1 more leg.')
  })
  it('tell a gap with what holds it back', () => {
    const said = say(finding('gap', { from_mm: 542, to_mm: 680, want: 'w', because: 'pixels' }), names, 'metric')
    expect(said.head).toBe('Sea eagles: gap 542–680 mm.')
    expect(said.body).toBe('Cropping that far leaves too few megapixels.')
  })
  it('tell too thin from too few', () => {
    const cold = (have: number, comfort_c: number) => say(finding('too-cold', { have, people: 2, comfort_c, lowest_c: -6, items: ['tele'], day: '2027-02-23', sort: 'worn' }), { ...names, thing: () => 'Down jacket' }, 'metric').head
    expect(cold(1, -12)).toBe('Down jacket for 1 of 2 people; Tue 23 Feb gets −6 °C.')
    expect(cold(0, -2)).toBe('Down jacket is worn down to −2 °C; Tue 23 Feb gets −6 °C.')
  })
  it('exist for every code that a rule of the core can yield, and never shout', () => {
    for (const code of CODES) {
      const said = say(finding(code), names, 'metric')
      expect(said.head, code).not.toBe(code)
      expect(said.head + said.body, code).not.toMatch(/!|undefined|NaN/)
    }
  })
})
