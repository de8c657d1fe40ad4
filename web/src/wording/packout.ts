/** The list, tasks, weighing and closing checks, in words. */
import type { OutLine, PackOut, Reading, RoomUse, Task, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { many } from './parts'
import { corner } from './stow'

type Thing = (id: string) => string

/** "LB-4 pack × 6". */
export function pieces(name: string, count: number): string {
  return count > 1 ? `${name} × ${count}` : name
}

/** Under the name of its bag: "main: low, left, at the back", "strapped outside", "on Ines". */
export function whereText(line: OutLine, rooms: readonly RoomUse[], person: (id: string) => string): string {
  if (line.bag === null) return `on ${person(line.person)}`
  if (line.outside) return 'strapped outside'
  const room = rooms.find((r) => r.room === line.room)
  if (!room) return 'no place found, see Stow'
  const spot = line.placed ? corner(line.placed, room) : 'in what room is left'
  return room.compartment === null ? spot : `${room.name.toLowerCase()}: ${spot}`
}
export const HARM: Record<OutLine['harm'], string> = {
  safety: 'keeps people safe',
  papers: 'nobody leaves without',
  stops: 'no pictures without it',
  pictures: 'pictures are lost without it',
  wants: 'wants hang on it',
  power: 'power',
  cards: 'room for pictures',
  rest: '',
}
export const TASK: Record<Task['kind'], string> = {
  charge: 'Charge packs and banks',
  devices: 'Charge laptop, tablet and phones',
  format: 'Format the cards, once their pictures are copied',
  firmware: 'Firmware: update now or leave it',
  clock: 'Set the clocks of the cameras alike',
  sensor: 'Clean the sensors',
  permits: 'Permits and local rules',
  documents: 'Documents and tickets',
  medicine: 'Medicine, glasses',
  fetch: 'Fetch',
}
/** "Charge packs and banks: LB-4 pack, Bank 90 Wh (by 19 Feb)". */
export function taskText(task: Task, thing: Thing): { head: string; body: string } {
  const by = task.by ? `by ${day(task.by)}` : ''
  const things = task.items?.map(thing).join(', ') ?? ''
  return task.kind === 'fetch' ? { head: `${TASK.fetch} ${things}`, body: by } : { head: TASK[task.kind], body: [things, by].filter(Boolean).join(' · ') }
}
/** "412 g more than planned: 3 things never weighed." planned_g: what the parts added up to when it was weighed. */
export function scaleText(planned_g: number, shown_g: number, unsure: readonly { count: number }[], units: Units): string {
  const more = shown_g - planned_g
  if (Math.abs(more) < 15) return 'as planned'
  const things = unsure.reduce((sum, u) => sum + u.count, 0)
  const why = things ? `${many(things, 'thing')} in it never weighed` : 'every thing in it was weighed: something else is in the bag, or missing'
  return `${Math.abs(more) < 1000 ? fmt.mass(Math.abs(more), units) : fmt.load(Math.abs(more), units)} ${more > 0 ? 'more' : 'less'} than planned: ${why}`
}
export function readingText(reading: Reading, units: Units): string {
  const noise = reading.garbled ? ` ${many(reading.garbled, 'garbled line')} passed over.` : ''
  switch (reading.state) {
    case 'stable':
      return `The scale shows ${fmt.load(reading.grams ?? 0, units)}.${noise}`
    case 'unsteady':
      return `The bag swings, or the scale dropped out before it was still. Hold it still and try again.${noise}`
    case 'overload':
      return 'The scale says overload: this is more than it bears.'
    case 'silent':
      return `The scale is there but says nothing that can be read.${noise}`
    default:
      return 'No scale is connected. Type what yours shows.'
  }
}
const CLOSING: Record<PackOut['closing'][number]['check'], [string, (n: number) => string]> = {
  lithium: ['Lithium lies where it may', (n) => `${many(n, 'thing')} with lithium where it must not be: see Gate`],
  gate: ['Every leg takes every bag', (n) => `${many(n, 'thing')} would be refused: see Gate`],
  power: ['Packs carry every day', (n) => `Packs run dry on ${many(n, 'day')}: see Stamina`],
  copies: ['As many copies as you asked for', (n) => `${many(n, 'night')} with fewer copies than you asked for: see Stamina`],
  room: ['Everything has a place', (n) => `${many(n, 'thing')} without a place: see Stow`],
}
export function closingText(check: PackOut['closing'][number]): string {
  const [good, bad] = CLOSING[check.check]
  return check.passes ? good : bad(check.findings)
}
/** Lines that are not in yet and could be, in order of harm. */
export function lastHour(lines: readonly OutLine[], done: (line: string) => boolean, most = 10): OutLine[] {
  return lines
    .filter((line) => !done(line.id))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
}
