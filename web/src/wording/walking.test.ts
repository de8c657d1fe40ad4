import { expect, test } from 'vitest'
import type { DayOnFoot } from '@/api/types'
import { NAMES } from '@/testing/mount'
import { backText, steps, walkCautions, waterText } from './walking'

const at = (time: string): string => `2027-02-24T${time}:00`
const WALK: DayOnFoot = { goal_at: at('07:40'), until: null, leave: at('05:10'), there: at('07:10'), turn_back: at('08:40'), turn_back_by: at('16:30'), down: at('09:20'), home_by: at('17:10'), there_h: 2, back_h: 0.67, slower: 1, dark_h: 1.5, water_l: 1.3, lamps: [{ person: 'ines', lights: 1, hours: 6, short: {} }], late: false, walkers: [] }

test('the clock of a walk in its order', () => {
  expect(steps(WALK, 'sunrise').map((s) => `${s.at} ${s.what} ${s.note}`.trim())).toEqual(['05:10 leave 2 h on the way', '07:10 be there', '07:40 sunrise', '08:40 turn back 16:30 at the latest', '09:20 be down by 17:10'])
  expect(steps({ ...WALK, goal_at: null }, 'sunrise')).toEqual([])
})
test('what is to be looked at', () => {
  const none = { person: 'marit', lights: 0, hours: null, short: {} }
  const weak = { person: 'ines', lights: 1, hours: 1, short: { AAA: 3 } }
  expect(walkCautions(WALK, NAMES)).toEqual([])
  expect(walkCautions({ ...WALK, lamps: [...WALK.lamps, none] }, NAMES)).toEqual(['1 h 30 on foot in the dark, and marit has no light.'])
  expect(walkCautions({ ...WALK, lamps: [weak, none] }, NAMES)).toEqual(['1 h 30 on foot in the dark, and ines’s light burns 1 h (3 more AAA) and marit has no light.'])
  expect(walkCautions({ ...WALK, lamps: [{ ...weak, hours: 0 }] }, NAMES)).toEqual(['1 h 30 on foot in the dark, and ines’s light has no cells (3 more AAA).'])
  expect(walkCautions({ ...WALK, late: true }, NAMES)).toEqual(['The stay ends too late: turn back by 16:30 to be down by 17:10.'])
  expect(walkCautions({ ...WALK, goal_at: null, dark_h: null }, NAMES)[0]).toContain('No such light')
})
test('water, and what is on a back', () => {
  expect(waterText(WALK, 0)).toBe('1.3 l of water each')
  expect(waterText(WALK, 1)).toBe('1.3 l of water each; filled up once, so 0.7 l on the back')
  expect(backText({ person: 'ines', water_l: 1, food_g: 650, total_g: 9300, share: 0.15 }, 'metric')).toBe('9.30 kg, 15 % of body mass')
})
