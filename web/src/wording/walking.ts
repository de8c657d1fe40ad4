/** A day on foot in words, pure. */
import type { DayOnFoot, Units, Walk } from '@/api/types'
import { clock } from '@/format/dates'
import * as fmt from '@/format/units'
import { many } from './parts'
import { hours } from './stamina'

export const GOAL: Record<NonNullable<Walk['goal']>, string> = {
  'first-light': 'first light',
  sunrise: 'sunrise',
  sunset: 'sunset',
  'last-light': 'last light',
  dark: 'moonless dark',
  clock: 'a given time',
}
export const ON_FOOT = 'By Naismith’s rule: general guidance. Weather service, avalanche bulletin, tides, local rules and trained guides decide. Tell somebody your route.'

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
export function walkCautions(walk: DayOnFoot, people: number): string[] {
  const found: string[] = []
  if (!walk.goal_at) found.push('There is no such light that day at that place, or the place is not known: only hours on the way are told.')
  if (walk.late && walk.turn_back_by && walk.home_by) found.push(`The stay ends too late: turn back by ${clock(walk.turn_back_by)} to be down by ${clock(walk.home_by)}.`)
  if (walk.dark_h) {
    const lights = walk.lights < people ? (walk.lights ? `only ${many(walk.lights, 'light')} for ${people} people` : 'no light along') : walk.light_h !== null && walk.light_h < walk.dark_h ? `the first light goes out after ${fmt.figure(walk.light_h)} h` : ''
    if (lights) found.push(`${hours(walk.dark_h)} on foot in the dark, and ${lights}.`)
  }
  return found
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
