import { expect, it } from 'vitest'
import type { Want } from '@/api/types'
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

it('takes wants, legs and the coldest hour along', () => {
  const want = { id: 'stars', name: 'Stars', focal_min_mm: 14, focal_max_mm: 24 } as Want
  const trip = newTrip({ name: 'Week', place: '', start: '2027-02-01', days: 2, nights: '', people: '', coldest: -10, wants: [want, want], legs: [{ name: 'Out', carrier: 'plane' }, { name: 'Back', carrier: null }] })
  expect(trip.wants!.map((w) => w.id)).toEqual(['stars', 'stars-2'])
  expect(trip.legs).toEqual([
    { id: 'leg', name: 'Out', carrier: 'plane' },
    { id: 'leg-2', name: 'Back', carrier: null },
  ])
  expect(trip.days!.map((d) => d.lowest_c)).toEqual([-10, -10])
})
it('goes on as its pattern ends', () => {
  const pattern = newTrip({ name: 'Old', place: 'Hills', start: '2020-01-01', days: 2, nights: 'hut', people: 'Ines', coldest: -3 })
  const trip = newTrip({ name: 'New', place: '', start: '2027-02-01', days: 3, nights: '', people: '', pattern })
  expect(trip.days!.map((d) => [d.date, d.place, d.lowest_c, d.night?.mains_h])).toEqual([
    ['2027-02-01', 'Hills', -3, 2],
    ['2027-02-02', 'Hills', -3, 2],
    ['2027-02-03', 'Hills', -3, 2],
  ])
  expect(trip.people).toEqual([])
})
