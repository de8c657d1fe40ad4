/** Marks in words: what somebody noted, short enough for a phone. */
import type { Conflict, Units, What } from '@/api/types'
import type { Names } from './names'
import { day } from '@/format/dates'
import { readLine, type Look } from '@/field/lines'
import * as fmt from '@/format/units'
import { EFFECT } from './completeness'
import { TASK } from './packout'

export const PACK = { ready: 'ready', 'in-use': 'in use', spent: 'spent', charging: 'charging' } as const
export const CARD = { blank: 'blank', 'in-use': 'in use', full: 'full' } as const

type Who = Pick<Names, 'thing'>

function filterText(what: Extract<What, { do: 'missed' }>, names: Who): string {
  if (!what.effect) return ''
  return `, without a ${EFFECT[what.effect]}${what.lens ? ` on ${names.thing(what.lens)}` : ''}`
}
export function markText(what: What, names: Who, units: Units): string {
  switch (what.do) {
    case 'tick':
      return what.done ? 'done' : 'not done'
    case 'pack':
      return `${names.thing(what.item)} no. ${what.piece} ${PACK[what.state]}`
    case 'card':
      return `${names.thing(what.item)} no. ${what.piece} ${CARD[what.state]}${what.copies ? `, copied ${what.copies} ×` : ''}`
    case 'weighed':
      return what.grams === null ? `${names.thing(what.bag)} not weighed after all` : `${names.thing(what.bag)} ${fmt.load(what.grams, units)}`
    case 'used':
      return `used ${names.thing(what.item)}`
    case 'missed':
      return `missed: ${what.wanted}${what.focal_mm ? ` (${fmt.figure(what.focal_mm)} mm full-frame)` : ''}${what.had_mm ? `, had ${fmt.figure(what.had_mm)} mm` : ''}${filterText(what, names)}${what.note ? `; ${what.note}` : ''}`
    case 'broke':
      return `${names.thing(what.item)} broke${what.note ? `: ${what.note}` : ''}`
    case 'lent':
      return `lent ${names.thing(what.item)} to ${what.to}${what.until ? ` until ${day(what.until)}` : ''}`
    case 'note':
      return what.text
    case 'cold':
      return `coldest ${fmt.temperature(what.lowest_c, units)}`
    case 'along':
      return `${names.thing(what.item)} ${what.count === null ? 'as planned' : what.count ? `comes along${what.count > 1 ? `, ${what.count} of them` : ''}` : 'stays at the base'}`
    case 'swap':
      return `${names.thing(what.item)} changed in ${names.thing(what.body)} after ${what.frames} frames${what.at_c === null || what.at_c === undefined ? '' : ` at ${fmt.temperature(what.at_c, units)}`}`
    case 'taken-back':
      return 'a note undone'
    case 'filled':
      return `${names.thing(what.item)} out of ${names.thing(what.body)}: ${fmt.figure(what.gb)} GB in ${what.frames} frames`
    default:
      return `copied ${fmt.figure(what.gb)} GB to ${names.thing(what.to)} in ${fmt.figure(what.hours * 60)} min`
  }
}
const NIGHTS: Partial<Record<string, string>> = { charge: 'charging', copy: 'copying', inspect: 'checking the pictures', gear: 'checking the gear', clear: 'ready for the morning' } satisfies Record<Look, string>
const TASKS: Partial<Record<string, string>> = TASK
const OTHER = 'A line on the list'
/** "Stork carbon tripod", "Fetch Tarn 24–70", "Night of Sun 21 Feb, charging". */
export function lineText(line: string, names: Who): string {
  const about = readLine(line)
  switch (about.sort) {
    case 'thing':
      return names.thing(about.item)
    case 'fetch':
      return `${TASK.fetch} ${names.thing(about.item)}`
    case 'task':
      return TASKS[about.kind] ?? OTHER
    case 'night':
      return [`Night of ${day(about.date)}`, NIGHTS[about.look]].filter(Boolean).join(', ')
    case 'out':
      return `${names.thing(about.item)}, going out on ${day(about.date)}`
    case 'back':
      return `${names.thing(about.item)}, coming back on ${day(about.date)}`
    case 'other':
      return OTHER
  }
}
/** "Card SD 128 GB no. 2", "Line Corrie 24–70". */
export function conflictHead(conflict: Conflict, names: Who): string {
  const what = conflict.marks[0]!.what
  if (what.do === 'tick') return `${lineText(what.line, names)}:`
  if (what.do === 'pack' || what.do === 'card') return `${names.thing(what.item)} no. ${what.piece}:`
  if (what.do === 'along') return `${day(what.day)}:`
  return what.do === 'weighed' ? `${names.thing(what.bag)}:` : what.do === 'cold' ? `${day(what.day)}:` : ''
}
