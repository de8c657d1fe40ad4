/** Why no kit can be chosen: each demand that has a part in the contradiction, in words. */
import type { Names } from './names'
import type { OwnKit, Reason, Trip, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT, lacks, serves } from './completeness'

const POLICY: Record<string, string> = {
  'one-zoom': 'one zoom and nothing else',
  'trio-of-zooms': 'at most three zooms, and no primes',
  primes: 'primes only',
  none: 'no second body',
  twin: 'a twin of the first body',
  specialist: 'a second body of another sort',
}
const PICTURES: Record<string, string> = {
  'no-body': 'The kit must take pictures, and no body is in the locker.',
  'no-lens': 'The kit must take pictures, and no lens in the locker fits a body.',
  'out-of-reach': 'The kit must take pictures, and nothing in the locker serves any want.',
}

type Say = (r: Reason, names: Names, units: Units, trip: Trip) => string

function refOf(reason: Reason, key: string): string {
  return reason.refs?.[key] ?? ''
}
function grams(reason: Reason, key: string, units: Units): string {
  return fmt.load(reason.numbers?.[key] ?? 0, units)
}

const SAY: Record<Reason['code'], Say> = {
  'must-take': (r, n) => `${n.thing(refOf(r, 'item'))} must come${refOf(r, 'because') === 'not-here' ? ', but it is not here in time' : ''}.`,
  'must-leave': (r, n) => `${n.thing(refOf(r, 'item'))} must stay${refOf(r, 'because') === 'stays-put' ? ', but the open kit holds on to it: leave it on the bench first' : ''}.`,
  slot: (r, _n, _u, trip) => `${trip.marks?.slots?.find((s) => s.id === refOf(r, 'slot'))?.name ?? 'A slot'} takes this or that, not both.`,
  need: (r, n) => {
    const [what, label] = [refOf(r, 'what'), refOf(r, 'label')]
    const why = serves(what, label)
    return `${n.thing(refOf(r, 'item'))} needs what it hangs on: ${why.startsWith(what) ? lacks(what, label) : why}.`
  },
  leg: (r, n, u) => `${n.leg(refOf(r, 'leg'))} takes ${grams(r, 'allowed_g', u)}${refOf(r, 'bag') ? ` in ${n.thing(refOf(r, 'bag'))}` : ` from ${n.person(refOf(r, 'person'))}`}.`,
  person: (r, n, u) => `${n.person(refOf(r, 'person'))} carries ${grams(r, 'allowed_g', u)} well, and no more.`,
  volume: (r, n, u) => `${n.thing(refOf(r, 'bag'))} has room for ${fmt.volume(r.numbers?.room_l ?? 0, u)} beside what stays.`,
  limit: (r, _n, u) => `You asked for ${grams(r, 'limit_g', u)}; what stays in any case weighs ${grams(r, 'kept_g', u)}.`,
  'policy-lenses': (r) => `You asked for ${POLICY[refOf(r, 'policy')] ?? 'one school of lenses'}.`,
  'policy-second-body': (r) => `You asked for ${POLICY[refOf(r, 'policy')] ?? 'a second body'}.`,
  'policy-gaps': (r, n) => `${n.want(refOf(r, 'want'))} may have no gap.`,
  pictures: (r) => PICTURES[refOf(r, 'because')] ?? 'The kit must take pictures that some want asks for.',
}

const BROKEN: Record<string, string> = {
  lenses: 'other lenses than the school you asked for',
  'second-body': 'another second body than you asked for',
  gaps: 'gaps, which you refused',
}
const SHORT: Record<string, string> = {
  copies: 'some night it leaves pictures in fewer places than you asked, the curve does not',
}

type Why = OwnKit['why'][number]
/** Things of one kind of reason in a row, the heaviest of them by name: "Legs 1190 g, Cube 548 g and 3 more". */
function namesOf(whys: readonly Why[], names: Names, units: Units): string {
  const said = whys.slice(0, 3).map((w) => `${names.thing(w.refs?.item ?? '')}${w.numbers?.mass_g ? ` ${fmt.mass(w.numbers.mass_g, units)}` : ''}`)
  if (whys.length > said.length) said.push(`${whys.length - said.length} more`)
  return said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)}` : (said[0] ?? '')
}
/** "Body 24 has no SD card"; "Step ring: no loaded filter has a 82 mm thread" */
function lacking(one: Why, names: Names): string {
  const [item, what, label] = [one.refs?.item, one.refs?.what ?? '', one.refs?.label ?? '']
  if (!item) return `it has fewer ${label} packs than run at one time`
  const why = serves(what, label)
  return why.startsWith(what) ? `${names.thing(item)} ${lacks(what, label)}` : `${names.thing(item)} serves nothing (${why})`
}
/** Why an own kit scores more than the curve at its mass: what it has, or lacks, that the search did not allow itself. */
const WHY: Record<Why['code'], (whys: readonly [Why, ...Why[]], names: Names, units: Units) => string> = {
  kept: (w, n, u) => `it does without ${namesOf(w, n, u)}, which ${w.length > 1 ? 'stay' : 'stays'} here in any case`,
  'must-take': (w, n, u) => `it leaves ${namesOf(w, n, u)}, which you marked as must come`,
  'must-leave': (w, n, u) => `it takes ${namesOf(w, n, u)}, which you marked as must stay`,
  slot: () => 'it takes several things that you let share one place',
  policy: (w) => `it has ${w.map((one) => BROKEN[one.refs?.policy ?? ''] ?? 'another school').join(' and ')}`,
  lacks: (w, n) => w.slice(0, 3).map((one) => lacking(one, n)).join(', ') + (w.length > 3 ? `, and ${w.length - 3} more` : ''),
  days: () => 'some day of it is more than anybody carries well',
  effect: (w, n) => w.map((one) => `it has no ${EFFECT[one.refs?.label ?? ''] ?? 'filter'} for ${n.want(one.refs?.want ?? '')}`).join(', '),
  'not-in-play': (w, n, u) => `it takes ${namesOf(w, n, u)}: not here, not yours, or no better than something lighter`,
  limit: ([w], _n, u) => `it weighs more than the ${fmt.load(w.numbers?.limit_g ?? 0, u)} you asked for`,
  leg: (w, n) => `${w.map((one) => n.leg(one.refs?.leg ?? '')).join(' and ')} ${w.length > 1 ? 'refuse' : 'refuses'} it`,
  lasts: ([w]) => SHORT[w.refs?.part ?? ''] ?? `its power and cards carry ${w.numbers?.days ?? 0} of ${w.numbers?.of_days ?? 0} days, the curve’s all of them`,
  unproved: () => 'the search had no time to prove its points: search again',
  room: () => 'packed by trial, not all of it may go into the bags: see Stow',
}
/** "Kit B lies above the curve: it does without Legs 1190 g, which stays here in any case." */
export function whyAbove(own: OwnKit, name: string, names: Names, units: Units): string {
  const codes = [...new Set(own.why.map((w) => w.code))]
  const said = codes.flatMap((code) => {
    const [first, ...rest] = own.why.filter((w) => w.code === code)
    return first ? [WHY[code]([first, ...rest], names, units)] : []
  })
  return `${name} lies above the curve: ${said.join('; ')}.`
}

export function reasonText(reason: Reason, names: Names, units: Units, trip: Trip): string {
  return SAY[reason.code](reason, names, units, trip)
}
