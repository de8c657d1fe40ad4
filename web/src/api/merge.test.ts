import { expect, it } from 'vitest'
import { merge, withField } from './merge'

const BASE = {
  name: 'Coast',
  place: 'West',
  spot: { latitude: 1, longitude: 2 },
  wants: [
    { id: 'a', name: 'Arch', importance: 3 },
    { id: 'b', name: 'Birds', importance: 3 },
  ],
  days: [{ date: '2027-02-20', title: 'One' }],
}

it('keeps what two windows changed in different fields', () => {
  const mine = { ...BASE, name: 'North', wants: [{ ...BASE.wants[0]!, importance: 5 }, BASE.wants[1]!], spot: { latitude: 9, longitude: 2 } }
  const theirs = { ...BASE, place: 'East', wants: [BASE.wants[0]!, { ...BASE.wants[1]!, importance: 1 }], spot: { latitude: 1, longitude: 7 } }
  const { value, clashes } = merge(BASE, mine, theirs)
  expect(clashes).toEqual([])
  expect(value).toEqual({
    name: 'North',
    place: 'East',
    spot: { latitude: 9, longitude: 7 },
    wants: [
      { id: 'a', name: 'Arch', importance: 5 },
      { id: 'b', name: 'Birds', importance: 1 },
    ],
    days: BASE.days,
  })
})
it('asks only about the same field, and shows both', () => {
  const mine = { ...BASE, place: 'South', wants: [{ ...BASE.wants[0]!, importance: 5 }, BASE.wants[1]!] }
  const theirs = { ...BASE, name: 'Far', wants: [{ ...BASE.wants[0]!, importance: 1 }, BASE.wants[1]!] }
  const { value, clashes } = merge(BASE, mine, theirs)
  expect(clashes).toEqual([{ path: ['wants', 'Arch', 'importance'], mine: 5, theirs: 1 }])
  expect(value).toMatchObject({ name: 'Far', place: 'South' })
  expect(withField(value, clashes[0]!.path, clashes[0]!.theirs).wants[0]!.importance).toBe(1)
})
it('keeps what both added, and loses what one took out unless the other changed it', () => {
  const mine = { ...BASE, wants: [BASE.wants[1]!], days: [...BASE.days, { date: '2027-02-22', title: 'Mine' }] }
  const theirs = { ...BASE, wants: [BASE.wants[0]!, { ...BASE.wants[1]!, importance: 4 }], days: [...BASE.days, { date: '2027-02-21', title: 'Theirs' }] }
  const { value, clashes } = merge(BASE, mine, theirs)
  expect(clashes).toEqual([])
  expect(value.wants).toEqual([{ id: 'b', name: 'Birds', importance: 4 }])
  expect(value.days.map((d) => d.title)).toEqual(['One', 'Theirs', 'Mine'])
})
