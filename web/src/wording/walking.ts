/** A day on foot in words, pure. */
import type { DayOnFoot, Units, Walk } from '@/api/types'
import { clock } from '@/format/dates'
import * as fmt from '@/format/units'
import type { Names } from './names'
import { listed } from './parts'
import { hours } from './stamina'

export const GOAL: Record<NonNullable<Walk['goal']>, string> = {
  'first-light': 'first light',
  sunrise: 'sunrise',
  sunset: 'sunset',
  'last-light': 'last light',
  dark: 'moonless dark',
  clock: 'a given time',
}
export const ON_FOOT = 'By Naismith’s rule: general guidance. Weather service, avalanche bulletin, tides, local rules and trained guides decide. Tell someone your route.'

export interface Step {
  what: string
  at: string
  note: string
}
/** Leave, be there, light, turn back, down: what the clock says, in order. */
export function steps(walk: DayOnFoot, goal: Walk['goal']): Step[] {
  if (!walk.goal_at) return []
  const at = (what: string, when: string | null, note = ''): Step[] => (when ? [{ what, at: clock(when), note }] : [])
  return [
    ...at('leave', walk.leave, `${hours(walk.there_h)} on the way`),
    ...at('be there', walk.there),
    ...(goal === 'clock' ? [] : at(GOAL[goal ?? 'sunrise'], walk.goal_at, walk.until ? `until ${clock(walk.until)}` : '')),
    ...at('turn back', walk.turn_back, walk.turn_back_by ? `${clock(walk.turn_back_by)} at the latest` : ''),
    ...at('be down', walk.down, walk.home_by ? `by ${clock(walk.home_by)}` : ''),
  ]
}
/** What is to be looked at: too late, too dark, too few lights. */
export function walkCautions(walk: DayOnFoot, names: Names): string[] {
  const found: string[] = []
  if (!walk.goal_at) found.push('No such light there that day, or the place is not set: only walking times are shown.')
  if (walk.late && walk.turn_back_by && walk.home_by) found.push(`The stay ends too late: turn back by ${clock(walk.turn_back_by)} to be down by ${clock(walk.home_by)}.`)
  if (walk.dark_h) {
    const dark = walk.dark_h
    const lacking = walk.lamps.flatMap((l) => lampText(l, dark, names))
    if (lacking.length) found.push(`${hours(dark)} on foot in the dark, and ${listed(lacking)}.`)
  }
  return found
}
/** What somebody lacks to see the way by: "Marit has no light", "Ines’s light burns 4 h (3 more AAA)". */
function lampText(lamp: DayOnFoot['lamps'][number], dark: number, names: Names): string[] {
  const who = names.person(lamp.person)
  if (lamp.hours === null) return [`${who} has no light`]
  if (lamp.hours >= dark) return []
  const cells = Object.entries(lamp.short).map(([type, n]) => ` (${n} more ${type})`)
  return [`${who}’s light ${lamp.hours ? `burns ${fmt.figure(lamp.hours)} h` : 'has no cells'}${cells.join('')}`]
}
/** "0.9 l of water each, 1.8 l in all; filled up once: 0.9 l". */
export function waterText(walk: DayOnFoot, refills: number): string {
  const each = `${fmt.figure(walk.water_l, 1)} l of water each`
  return refills ? `${each}; filled up ${refills === 1 ? 'once' : `${refills} times`}, so ${fmt.figure(walk.water_l / (refills + 1), 1)} l on the back` : each
}
/** "9.30 kg, 15 % of body mass". */
export function backText(walker: DayOnFoot['walkers'][number], units: Units): string {
  const share = walker.share === null ? '' : `, ${fmt.percent(walker.share)} of body mass`
  return `${fmt.load(walker.total_g, units)}${share}`
}
