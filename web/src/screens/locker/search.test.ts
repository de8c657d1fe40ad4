import { expect, it } from 'vitest'
import { looksLikeList, looksLikeTable, matches } from './search'

const zoom = { name: 'Corrie 24–70 f/2.8', kind: 'lens' } as const

it.each(['24-70', '24–70', 'corrie', 'CORRIE f/2.8', 'f/ 2.8', 'lens 70', 'optics', ''])('finds a zoom by “%s”', (typed) => {
  expect(matches(zoom, typed)).toBe(true)
})
it.each(['24-105', 'tripod', 'corrie 50'])('does not find it by “%s”', (typed) => {
  expect(matches(zoom, typed)).toBe(false)
})

it.each(['24-70, tripod', '4 packs', 'SD 128 x4', '2x body', 'hat\ntripod', 'hat; tripod'])('takes “%s” for a list', (typed) => {
  expect(looksLikeList(typed)).toBe(true)
})
it.each(['24-70', '85 1,8', '1 tb ssd', '45 MP', 'f/2.8', 'tripod, '])('takes “%s” for one thing', (typed) => {
  expect(looksLikeList(typed)).toBe(false)
})
it('knows rows of a spreadsheet by their titles', () => {
  expect(looksLikeTable('Item\tWeight\nTripod\t1400')).toBe(true)
  expect(looksLikeTable('Tripod\t1400\nHat\t70')).toBe(false)
  expect(looksLikeTable('Item, weight')).toBe(false)
})
