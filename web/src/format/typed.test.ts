import { expect, it } from 'vitest'
import type { Units } from '@/api/types'
import { parseAngle, parseTyped } from './typed'
import * as fmt from './units'

it.each([
  ['1.5 kg', 'mass', 'metric', 1500],
  ['2,8', 'plain', 'metric', 2.8],
  ['2,8 kg', 'load', 'imperial', 2800],
  ['3 lb 1 oz', 'mass', 'metric', 1389.12663312],
  ['12 oz', 'mass', 'metric', 340.1942775],
  ['12', 'mass', 'imperial', 340.1942775],
  ['8.42', 'load', 'metric', 8420],
  ['62 kg', 'body', 'imperial', 62],
  ['137 lb', 'body', 'metric', 62.14215469],
  ['55', 'side', 'metric', 550],
  ['550mm', 'side', 'metric', 550],
  ['1.2 m', 'side', 'imperial', 1200],
  ['5 ft 10 in', 'side', 'metric', 1778],
  ['4.7 in', 'thing', 'metric', 119.38],
  ['1 470 in³', 'volume', 'metric', 24.08898408],
  ['750 ml', 'volume', 'metric', 0.75],
  ['−9 °C', 'temperature', 'imperial', -9],
  ['16 °F', 'temperature', 'metric', -8.88888888889],
  ['f/2.8', 'plain', 'metric', 2.8],
  ['', 'mass', 'metric', null],
] as const)('reads "%s" as %s in %s as it is meant', (raw, quantity, units, stored) => {
  expect(parseTyped(raw, quantity, units)).toBe(stored)
})
it.each([
  ['90 min', 'h', 1.5],
  ['1 h 30 min', 'h', 1.5],
  ['24 mm', 'mm', 24],
  ['2 in', 'mm', 50.8],
  ['45 MP', 'MP', 45],
  ['16 Wh', 'Wh', 16],
  ['250 MB/s', 'MB/s', 250],
  ['75 %', '%', 75],
] as const)('takes "%s" in a field of %s', (raw, unit, stored) => {
  expect(parseTyped(raw, 'plain', 'metric', unit)).toBe(stored)
})
it.each([
  ['heavy', 'mass', ''],
  ['12 cm', 'mass', ''],
  ['3 lb 1', 'mass', ''],
  ['1.2.3', 'mass', ''],
  ['5 kg', 'plain', 'Wh'],
  ['--4', 'side', ''],
] as const)('does not guess at "%s" where a %s is asked', (raw, quantity, unit) => {
  expect(parseTyped(raw, quantity, 'metric', unit)).toBeNaN()
})
it.each([
  ["46° 30' N", 46.5],
  ['46°30′36″ S', -46.51],
  ['46.5', 46.5],
  ['−12,25', -12.25],
  ['33 s', -33],
  ['46.5 °N', 46.5],
] as const)('reads a latitude of %s', (raw, degrees) => {
  expect(parseAngle(raw, 'latitude')).toBe(degrees)
})
it('takes no east for a latitude', () => {
  expect(parseAngle('8° E', 'latitude')).toBeNaN()
  expect(parseAngle('8° 15′ W', 'longitude')).toBe(-8.25)
})
it.each(['metric', 'imperial'] as Units[])('accepts what the app itself shows, in %s', (units) => {
  for (const grams of [0, 1, 850, 1470, 8567, 40_000, 99_999]) {
    expect(parseTyped(fmt.mass(grams, units), 'mass', units)).toBeCloseTo(grams, units === 'metric' ? -1 : -1.5)
    expect(parseTyped(fmt.load(grams, units), 'load', units)! / 50).toBeCloseTo(grams / 50, 0)
  }
  for (const mm of [5, 245, 550, 1178]) expect(Math.abs(parseTyped(fmt.side(mm, units), 'side', units)! - mm)).toBeLessThan(2)
  for (const l of [0.3, 24.1, 120]) expect(Math.abs(parseTyped(fmt.volume(l, units), 'volume', units)! - l)).toBeLessThan(0.1)
  for (const c of [-30, -9, 0, 21]) expect(Math.abs(parseTyped(fmt.temperature(c, units), 'temperature', units)! - c)).toBeLessThan(0.6)
})
