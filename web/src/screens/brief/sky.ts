/** The light of a day, in words and as bands of 24 hours. */
import type { DayLight } from '@/api/types'
import { clock } from '@/format/dates'
import * as fmt from '@/format/units'

const WIDTH = 70

export interface Band {
  kind: 'dark' | 'twilight' | 'low' | 'day'
  x: number
  width: number
}

/** Dark, twilight, low sun and high sun as shares of the day, side by side. */
export function bands(sky: DayLight): Band[] {
  const hours: [Band['kind'], number][] = [
    ['dark', sky.dark_h],
    ['twilight', sky.twilight_h],
    ['low', sky.low_sun_h],
    ['day', sky.sun_h - sky.low_sun_h],
  ]
  let x = 0
  return hours.map(([kind, h]) => {
    const width = (WIDTH * Math.max(0, h)) / 24
    const band = { kind, x, width }
    x += width
    return band
  })
}

function hours(h: number): string {
  return `${fmt.figure(h, 1)} h`
}

/** "Sunrise 07:52, sunset 16:47, 8.9 h, 3.0 h of it low; twilight 6.3 h; dark 8.8 h; moon 92 % lit, up 22:13, down 07:10." */
export function skyText(sky: DayLight | undefined): string | null {
  if (!sky) return null
  const sun =
    sky.sunrise && sky.sunset
      ? `Sunrise ${clock(sky.sunrise)}, sunset ${clock(sky.sunset)}, ${hours(sky.sun_h)}, ${hours(sky.low_sun_h)} of it low`
      : sky.sun_h > 12
        ? `The sun stays up all day, ${hours(sky.low_sun_h)} of it low`
        : 'The sun does not rise'
  const twilight = sky.twilight_h > 0.05 ? `twilight ${hours(sky.twilight_h)}` : ''
  const dark = sky.dark_h > 0.05 ? `dark ${hours(sky.dark_h)}` : 'never fully dark'
  const moon = [`moon ${fmt.percent(sky.moon_lit)} lit`, sky.moonrise ? `up ${clock(sky.moonrise)}` : '', sky.moonset ? `down ${clock(sky.moonset)}` : ''].filter(Boolean).join(', ')
  return `${[sun, twilight, dark, moon].filter(Boolean).join('; ')}.`
}
