/** What a suggested kit is carried in, and what it comes to day by day. */
import type { DaysServed, Point, Thing, Units } from '@/api/types'
import type { Names } from './names'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { listed } from './parts'

/** "Ridge 25 on Marit, Dry bag on Ines" */
export function bagsText(point: Point, things: ReadonlyMap<string, Thing>, names: Names): string {
  const pieces = (point.kit.entries ?? []).flatMap((e) => (e.place.where === 'piece' && e.place.piece !== 'hold' ? [`${things.get(e.item)?.name ?? e.item} on ${names.person(e.place.person)}`] : []))
  const inserts = (point.kit.entries ?? []).flatMap((e) => (e.place.where === 'bag' && things.get(e.item)?.kind === 'insert' ? [`${things.get(e.item)?.name ?? e.item} in ${names.thing(e.place.bag)}`] : []))
  return [...pieces, ...inserts].join(', ')
}


/** The heaviest of the days' bags: "9.33 kg on Tue 23 Feb, in Ridge 25 on Marit" */
export function heaviestText(served: DaysServed, names: Names, units: Units): string {
  const one = served.days.find((d) => d.bag_g === served.heaviest_g)
  return one ? `${fmt.load(one.bag_g, units)} on ${listed(one.days.map((on) => day(on)))}, in ${names.thing(one.bag)} on ${names.person(one.person)}` : ''
}

export interface DayLine {
  when: string
  bag_g: number
  /** What the bearer has with clothes, water and food, and what they carry well. */
  carried: string
  over: boolean
  less: string
}

export function dayLines(served: DaysServed, names: Names, units: Units): DayLine[] {
  return served.days.map((d) => ({
    when: d.days.map((on) => day(on)).join(', '),
    bag_g: d.bag_g,
    carried: `${names.person(d.person)} ${fmt.load(d.carried_g, units)}${d.well_g === null ? '' : ` of ${fmt.limit(d.well_g, units)}`}`,
    over: d.well_g !== null && d.carried_g > d.well_g,
    // A bag that falls short of nine tenths has no room or no packs for more.
    less: d.score < 0.9 * d.whole - 0.01 ? `covers ${fmt.figure(d.score)} of ${fmt.figure(d.whole)} %` : '',
  }))
}
