import { describe, expect, it } from 'vitest'
import type { DayLight } from '@/api/types'
import { bands, skyText } from './sky'

const winter: DayLight = {
  date: '2027-02-23',
  sunrise: '2027-02-23T07:52:00',
  sunset: '2027-02-23T16:47:00',
  first_light: '2027-02-23T06:54:00',
  last_light: '2027-02-23T17:46:00',
  sun_h: 8.9,
  low_sun_h: 3.04,
  twilight_h: 6.33,
  dark_h: 8.76,
  moonrise: '2027-02-23T22:13:00',
  moonset: '2027-02-23T07:10:00',
  moon_lit: 0.917,
}

describe('the light of a day', () => {
  it('is told with clock times and hours', () => {
    expect(skyText(winter)).toBe('Sunrise 07:52, sunset 16:47, 8.9 h, 3.0 h of it low; twilight 6.3 h; dark 8.8 h; moon 92 % lit, up 22:13, down 07:10.')
  })
  it('is told where the sun never sets and where it never rises', () => {
    expect(skyText({ ...winter, sunrise: null, sunset: null, sun_h: 24, dark_h: 0, twilight_h: 0 })).toContain('The sun stays up all day')
    expect(skyText({ ...winter, sunrise: null, sunset: null, sun_h: 0 })).toContain('The sun does not rise')
  })
  it('is not told where the place is not known', () => {
    expect(skyText(undefined)).toBeNull()
  })
  it('fills a day of 24 hours with its bands', () => {
    const all = bands(winter)
    expect(all.reduce((sum, b) => sum + b.width, 0)).toBeCloseTo((70 * (8.76 + 6.33 + 8.9)) / 24, 6)
    expect(all[1]!.x).toBeCloseTo(all[0]!.width, 9)
  })
})
