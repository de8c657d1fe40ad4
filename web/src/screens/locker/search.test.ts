import { expect, it } from 'vitest'
import { matches } from './search'

const zoom = { name: 'Corrie 24–70 f/2.8', kind: 'lens' } as const

it.each(['24-70', '24–70', 'corrie', 'CORRIE f/2.8', 'f/ 2.8', 'lens 70', 'optics', ''])('finds a zoom by “%s”', (typed) => {
  expect(matches(zoom, typed)).toBe(true)
})
it.each(['24-105', 'tripod', 'corrie 50'])('does not find it by “%s”', (typed) => {
  expect(matches(zoom, typed)).toBe(false)
})
