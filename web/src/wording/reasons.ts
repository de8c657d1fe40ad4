/** Why no kit can be chosen: each demand that has a part in the contradiction, in words. */
import type { Names } from '@/composables/useBench'
import type { Reason, Trip, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { lacks, serves } from './completeness'

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

export function reasonText(reason: Reason, names: Names, units: Units, trip: Trip): string {
  return SAY[reason.code](reason, names, units, trip)
}
