/** What a trip taught, in words. */
import type { Advice, Against, Rate, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { many } from './parts'

type Thing = (id: string) => string

function times(count = 1): string {
  return count === 1 ? 'once' : `${count} times`
}
export function adviceText(one: Advice, thing: Thing, units: Units): string {
  const n = one.numbers ?? {}
  const name = one.item ? thing(one.item) : ''
  switch (one.code) {
    case 'leave':
      return `Leave ${name}: ${fmt.mass(n.mass_g ?? 0, units)}, never used${n.trips === 2 ? ' on two trips running' : ''}.`
    case 'take':
      return `Take ${name}, ${fmt.mass(n.mass_g ?? 0, units)}: ${fmt.figure(n.focal_mm ?? 0)} mm was missed ${times(n.times)}.`
    case 'rent':
      return name ? `Rent or borrow ${name}: ${fmt.figure(n.focal_mm ?? 0)} mm was missed ${times(n.times)}.` : `Nothing you own reaches ${fmt.figure(n.focal_mm ?? 0)} mm, missed ${times(n.times)}: rent or borrow it.`
    case 'service':
      return `Have ${name} looked at${one.refs?.note ? `: ${one.refs.note}` : ''}.`
    case 'retire':
      return `${name} holds ${fmt.percent(n.health ?? 0)} of a new one: replace it.`
    default:
      return `${name} stays in the kit, used or not.`
  }
}
const RATE: Record<Rate['what'], [string, string]> = {
  'frames-per-charge': ['frames a charge at 20 °C', ''],
  'mb-per-frame': ['MB a frame', ' MB'],
  'speed-mb-s': ['copy speed', ' MB/s'],
}
export function rateText(rate: Rate, thing: Thing): { head: string; was: string; now: string; from: string } {
  const [name, unit] = RATE[rate.what]
  const digits = rate.what === 'frames-per-charge' ? 0 : 1
  const cold = rate.by_cold.map((c) => `${fmt.figure(c.frames)} near ${fmt.figure(c.at_c)} °C`).join(', ')
  return {
    head: `${thing(rate.item)}: ${name}`,
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
    return one.what === 'cold' ? `${fmt.figure(value)} °C` : fmt.figure(value, one.what === 'frames' ? 0 : 1)
  }
  return { head, planned: say(one.planned), happened: say(one.happened) }
}
