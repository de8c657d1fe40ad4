/** The list, tasks, weighing and closing checks, in words. */
import type { OutLine, PackOut, Reading, RoomUse, Task, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { many } from './parts'
import { corner } from './stow'

type Thing = (id: string) => string

/** "LB-4 battery × 6". */
export function pieces(name: string, count: number): string {
  return count > 1 ? `${name} × ${count}` : name
}

/** Under the name of its bag: "main: low, left, at the back", "strapped outside", "on Ines". */
export function whereText(line: OutLine, rooms: readonly RoomUse[], person: (id: string) => string): string {
  if (line.bag === null) return `on ${person(line.person)}`
  if (line.outside) return 'strapped outside'
  const room = rooms.find((r) => r.room === line.room)
  if (!room) return 'no place found, see Stow'
  const spot = line.placed ? corner(line.placed, room) : 'soft, in the remaining room'
  return room.compartment === null ? spot : `${room.name.toLowerCase()}: ${spot}`
}
export const HARM: Record<OutLine['harm'], string> = {
  safety: 'keeps people safe',
  papers: 'you cannot leave without it',
  stops: 'no pictures without it',
  pictures: 'pictures are lost without it',
  wants: 'shots need it',
  power: 'power',
  cards: 'room for pictures',
  rest: '',
}
export const TASK: Record<Task['kind'], string> = {
  charge: 'Charge batteries and power banks',
  devices: 'Charge laptop, tablet and phones',
  format: 'Format the cards, once their pictures are copied',
  firmware: 'Firmware: update now or leave it',
  clock: 'Set all camera clocks alike',
  sensor: 'Clean the sensors',
  permits: 'Permits and local rules',
  documents: 'Documents and tickets',
  medicine: 'Medicine, glasses',
  fetch: 'Fetch',
}
/** "Charge batteries and power banks: LB-4 battery, Power bank 90 Wh (by 19 Feb)". */
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
  const why = things ? `${many(things, 'item')} in it never weighed` : 'everything in it was weighed, so something is missing or extra'
  return `${Math.abs(more) < 1000 ? fmt.mass(Math.abs(more), units) : fmt.load(Math.abs(more), units)} ${more > 0 ? 'more' : 'less'} than planned: ${why}`
}
export function readingText(reading: Reading, units: Units): string {
  const noise = reading.garbled ? ` ${many(reading.garbled, 'garbled line')} ignored.` : ''
  switch (reading.state) {
    case 'stable':
      return `The scale shows ${fmt.load(reading.grams ?? 0, units)}.${noise}`
    case 'unsteady':
      return `The bag swings, or the scale dropped out before it was still. Hold it still and try again.${noise}`
    case 'overload':
      return 'The scale says overload: too heavy for it.'
    case 'silent':
      return `The scale is connected but sends no readings.${noise}`
    default:
      return 'No scale is connected. Type what yours shows.'
  }
}
const CLOSING: Record<PackOut['closing'][number]['check'], [string, (n: number) => string]> = {
  lithium: ['Lithium is where it is allowed', (n) => `${many(n, 'item')} with lithium in the wrong place: see Gate`],
  gate: ['Every leg takes every bag', (n) => `${many(n, 'bag')} would be refused: see Gate`],
  power: ['Batteries last every day', (n) => `Batteries run out on ${many(n, 'day')}: see Stamina`],
  copies: ['As many copies as you planned', (n) => `${many(n, 'night')} with fewer copies than you planned: see Stamina`],
  room: ['Everything has a place', (n) => `${many(n, 'item')} without a place: see Stow`],
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
