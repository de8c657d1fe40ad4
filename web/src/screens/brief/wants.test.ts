import { expect, it } from 'vitest'
import { asks, newWant, traitState, withTrait } from './wants'

it('wishes a trait, calls it essential, and lets it go', () => {
  const plain = newWant([])
  const wished = withTrait(plain, 'sealed', 'wished')
  const essential = withTrait(wished, 'sealed', 'essential')
  expect([traitState(plain, 'sealed'), traitState(wished, 'sealed'), traitState(essential, 'sealed')]).toEqual(['none', 'wished', 'essential'])
  expect(essential.traits).toHaveLength(1)
  expect(withTrait(essential, 'sealed', 'none').traits).toEqual([])
})
it('gives each new want an id of its own', () => {
  expect(newWant(['want', 'want-2']).id).toBe('want-3')
})
it('says what is asked on one line', () => {
  const want = { ...withTrait(newWant([]), 'autofocus', 'essential' as const), light: 'equivalent' as const, static_subject: true }
  expect(asks(want)).toBe('f/8 equivalent · 16 MP · autofocus, essential · stands still')
})
