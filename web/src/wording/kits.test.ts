import { describe, expect, it } from 'vitest'
import { kitBare, kitLabel, kitRest } from './kits'

const kit = (id: string, name: string, note = '') => ({ id, name, note })

describe('kits by short names', () => {
  it.each([
    [kit('b', 'B · two bodies, three zooms'), 'B', 'two bodies, three zooms'],
    [kit('a', 'Kit A', 'the first'), 'Kit A', 'the first'],
    [kit('d', 'Suggested, 15.9 kg'), 'D', 'Suggested, 15.9 kg'],
  ])('%o', (one, label, rest) => {
    expect(kitLabel(one)).toBe(label)
    expect(kitRest(one)).toBe(rest)
  })
  it.each([
    ['b', 'B · two bodies', 'two bodies'],
    ['a', 'Kit A', 'Kit A'],
  ])('drop the letter that stands before them: %s, %s', (id, name, bare) => {
    expect(kitBare({ id, name })).toBe(bare)
  })
  it('say nothing of a kit that is not there', () => {
    expect(kitRest(undefined)).toBe('')
  })
})
