import { describe, expect, it } from 'vitest'
import { swap } from './slots'

const items = ['long', 'short', 'drone']

describe('a slot for either this or that', () => {
  it('swaps what is in it', () => {
    expect(swap(items, 'short', new Map([['long', 1]]))).toEqual([
      { act: 'leave', item: 'long', count: null },
      { act: 'load', item: 'short', count: 1 },
    ])
  })
  it('fills an empty one', () => {
    expect(swap(items, 'drone', new Map())).toEqual([{ act: 'load', item: 'drone', count: 1 }])
  })
  it('takes out what is clicked again', () => {
    expect(swap(items, 'long', new Map([['long', 1]]))).toEqual([{ act: 'leave', item: 'long', count: null }])
  })
  it('keeps the clicked one of two and leaves the other', () => {
    expect(swap(items, 'long', new Map([['long', 1], ['short', 1]]))).toEqual([{ act: 'leave', item: 'short', count: null }])
  })
})
