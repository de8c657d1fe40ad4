import { describe, expect, it } from 'vitest'
import { inTurn, packingNow } from './searches'

const AT_REST = { running: false, ahead: 0, trying: false, better: 0 }

describe('searches in words', () => {
  it('says how many come first', () => {
    expect(inTurn(1)).toBe('1 search comes before yours')
    expect(inTurn(4)).toBe('4 searches come before yours')
  })
  it('says what a packing is at', () => {
    expect(packingNow({ ...AT_REST, running: true, ahead: 2 })).toBe('2 searches come before yours')
    expect(packingNow({ ...AT_REST, running: true })).toBe('packing…')
    expect(packingNow({ ...AT_REST, trying: true })).toBe('looking longer for room…')
    expect(packingNow({ ...AT_REST, trying: true, better: 1 })).toBe('a longer look found room for 1 more')
    expect(packingNow(AT_REST)).toBe('')
  })
})
