import { expect, it } from 'vitest'
import { idFrom, newTrip } from './new-trip'

it('makes ids from names, single among those taken', () => {
  expect(idFrom('Inés & Márit')).toBe('ines-marit')
  expect(idFrom('Ines', ['ines', 'ines-2'])).toBe('ines-3')
  expect(idFrom('日本')).toBe('one')
})
it('makes days in a row and people from one line', () => {
  const trip = newTrip({ name: 'Fjord', place: 'West', start: '2027-02-27', days: 3, nights: 'hut', people: 'Ines + Marit, Ines' })
  expect(trip.days!.map((d) => d.date)).toEqual(['2027-02-27', '2027-02-28', '2027-03-01'])
  expect(trip.people!.map((p) => [p.id, p.name])).toEqual([
    ['ines', 'Ines'],
    ['marit', 'Marit'],
    ['ines-2', 'Ines'],
  ])
})
