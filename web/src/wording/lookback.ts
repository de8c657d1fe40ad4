/** What a trip taught, in words. */
import type { Lesson, Against, Lack, PackWear, Rate, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT } from './completeness'
import { capital, many } from './parts'

type Thing = (id: string) => string
/** What a step-up ring of common size weighs (typical). */
const RING_G = 9

const COUNTS = ['never', 'once', 'twice', 'three times', 'four times', 'five times', 'six times', 'seven times', 'eight times', 'nine times', 'ten times']
function times(count = 1): string {
  return COUNTS[count] ?? `${count} times`
}
type Missed = Extract<Lesson, { code: 'take' }>['missed']
/** "a polariser on the Corrie 24–70", "300 mm full-frame". */
function wanted(missed: Missed, thing: Thing): string {
  if (missed.of === 'reach') return `${fmt.figure(missed.focal_mm)} mm full-frame`
  return `a ${EFFECT[missed.effect] ?? 'filter'}${missed.lens ? ` on ${thing(missed.lens)}` : ''}`
}
function missedText(missed: Missed, thing: Thing): string {
  return `${wanted(missed, thing)} was missed ${times(missed.times)}`
}
export function adviceText(one: Lesson, thing: Thing, units: Units): string {
  switch (one.code) {
    case 'leave':
      return `Leave ${thing(one.item)}: ${fmt.mass(one.mass_g, units)}, never used${one.trips === 2 ? ' on two trips running' : ''}.`
    case 'take':
      return `Take ${thing(one.item)}, ${fmt.mass(one.mass_g, units)}: ${missedText(one.missed, thing)}.`
    case 'rent':
      if (one.item) return `Rent or borrow ${thing(one.item)}: ${missedText(one.missed, thing)}.`
      return `Nothing you own ${one.missed.of === 'effect' ? 'puts' : 'reaches'} ${wanted(one.missed, thing)}, missed ${times(one.missed.times)}: rent or borrow it.`
    case 'ring':
      return `Add a step-up ring ${fmt.figure(one.from_mm)} to ${fmt.figure(one.to_mm)} mm, about ${fmt.mass(RING_G, units)}: then ${thing(one.item)} goes on ${thing(one.lens)}. ${capital(missedText(one.missed, thing))}.`
    case 'service':
      return `Have ${thing(one.item)} checked${one.note ? `: ${one.note}` : ''}.`
    case 'retire':
      return `${thing(one.item)} ${serviceNote(one)}.`
    case 'keep':
      return `${thing(one.item)} stays in the kit, used or not.`
  }
}
/** Advice that goes into the note of a thing. */
export type ForItsNote = Extract<Lesson, { code: 'service' | 'retire' }>
/** A fault, or why a pack has had its time. */
export function serviceNote(one: ForItsNote): string {
  if (one.code === 'service') return `to be looked at${one.note ? `: ${one.note}` : ''}`
  return one.health < 0.8 ? `holds ${fmt.percent(one.health)} of a new one: replace it` : `was charged ${fmt.figure(one.cycles)} times each: test what it still holds, and replace it if it is tired`
}
/** "300 mm full-frame, twice", "a polariser, once". */
export function lackText(lack: Lack): string {
  const what = lack.focal_mm ? `${fmt.figure(lack.focal_mm)} mm full-frame` : lack.effect ? `a ${EFFECT[lack.effect]}` : lack.wanted
  return `${what}, ${times(lack.times)}`
}
export function wearText(wear: PackWear, thing: Thing): { head: string; cycles: string; health: string } {
  return { head: `${thing(wear.item)}${wear.pieces > 1 ? ` × ${wear.pieces}` : ''}`, cycles: wear.cycles ? fmt.figure(wear.cycles, wear.cycles < 10 ? 1 : 0) : '', health: fmt.percent(wear.health) }
}
/** Frames a charge are stated for room temperature. */
const RATED_AT_C = 20
const RATE: Record<Rate['what'], [string, string]> = {
  'frames-per-charge': ['frames a charge', ''],
  'mb-per-frame': ['MB a frame', ' MB'],
  'speed-mb-s': ['copy speed', ' MB/s'],
}
export function rateText(rate: Rate, thing: Thing, units: Units): { head: string; was: string; now: string; from: string } {
  const [name, unit] = RATE[rate.what]
  const digits = rate.what === 'frames-per-charge' ? 0 : 1
  const cold = rate.by_cold.map((c) => `${fmt.figure(c.frames)} near ${fmt.temperature(c.at_c, units)}`).join(', ')
  return {
    head: `${thing(rate.item)}: ${name}${rate.what === 'frames-per-charge' ? ` at ${fmt.temperature(RATED_AT_C, units)}` : ''}`,
    was: rate.before === null || rate.before === undefined ? 'typical' : `${fmt.figure(rate.before, digits)}${unit}`,
    now: `${fmt.figure(rate.value, digits)}${unit}`,
    from: `${many(rate.from_, 'note')}${cold ? `; ${cold}` : ''}`,
  }
}
export function againstText(one: Against, thing: Thing, units: Units): { head: string; planned: string; happened: string } {
  const head = { frames: 'frames', gb: 'gigabytes', packs: 'batteries used up', mass: one.ref ? thing(one.ref) : 'mass', cold: 'coldest' }[one.what]
  const say = (value: number | null | undefined): string => {
    if (value === null || value === undefined) return 'not noted'
    if (one.what === 'mass') return fmt.load(value, units)
    return one.what === 'cold' ? fmt.temperature(value, units) : fmt.figure(value, one.what === 'frames' ? 0 : 1)
  }
  return { head, planned: say(one.planned), happened: say(one.happened) }
}
