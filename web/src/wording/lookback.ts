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
/** "a polariser on the Corrie 24–70". */
function worn(one: Lesson, thing: Thing): string {
  const effect = EFFECT[one.refs?.effect ?? ''] ?? 'filter'
  return `a ${effect}${one.refs?.lens ? ` on ${thing(one.refs.lens)}` : ''}`
}
function missedText(one: Lesson, thing: Thing): string {
  const n = one.numbers ?? {}
  return one.refs?.effect ? `${worn(one, thing)} was missed ${times(n.times)}` : `${fmt.figure(n.focal_mm ?? 0)} mm full-frame was missed ${times(n.times)}`
}
export function adviceText(one: Lesson, thing: Thing, units: Units): string {
  const n = one.numbers ?? {}
  const name = one.item ? thing(one.item) : ''
  switch (one.code) {
    case 'leave':
      return `Leave ${name}: ${fmt.mass(n.mass_g ?? 0, units)}, never used${n.trips === 2 ? ' on two trips running' : ''}.`
    case 'take':
      return `Take ${name}, ${fmt.mass(n.mass_g ?? 0, units)}: ${missedText(one, thing)}.`
    case 'rent':
      if (name) return `Rent or borrow ${name}: ${missedText(one, thing)}.`
      return one.refs?.effect ? `Nothing you own puts ${worn(one, thing)}, missed ${times(n.times)}: rent or borrow it.` : `Nothing you own reaches ${fmt.figure(n.focal_mm ?? 0)} mm full-frame, missed ${times(n.times)}: rent or borrow it.`
    case 'ring':
      return `Add a step-up ring ${fmt.figure(n.from_mm ?? 0)} to ${fmt.figure(n.to_mm ?? 0)} mm, about ${fmt.mass(RING_G, units)}: then ${name} goes on ${thing(one.refs?.lens ?? '')}. ${capital(missedText(one, thing))}.`
    case 'service':
      return `Have ${name} looked at${one.refs?.note ? `: ${one.refs.note}` : ''}.`
    case 'retire':
      return `${name} ${serviceNote(one)}.`
    default:
      return `${name} stays in the kit, used or not.`
  }
}
/** What goes into the note of a thing: its fault, or why a pack has had its time. */
export function serviceNote(one: Lesson): string {
  const n = one.numbers ?? {}
  if (one.code === 'service') return `to be looked at${one.refs?.note ? `: ${one.refs.note}` : ''}`
  const tired = (n.health ?? 1) < 0.8
  return tired ? `holds ${fmt.percent(n.health ?? 0)} of a new one: replace it` : `was charged ${fmt.figure(n.cycles ?? 0)} times each: test what it still holds, and replace it if it is tired`
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
  const head = { frames: 'frames', gb: 'gigabytes', packs: 'packs run down', mass: one.ref ? thing(one.ref) : 'mass', cold: 'coldest' }[one.what]
  const say = (value: number | null | undefined): string => {
    if (value === null || value === undefined) return 'not noted'
    if (one.what === 'mass') return fmt.load(value, units)
    return one.what === 'cold' ? fmt.temperature(value, units) : fmt.figure(value, one.what === 'frames' ? 0 : 1)
  }
  return { head, planned: say(one.planned), happened: say(one.happened) }
}
