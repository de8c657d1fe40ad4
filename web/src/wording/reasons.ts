/** Why no kit can be chosen: each demand that has a part in the contradiction, in words. */
import type { Names } from './names'
import type { OwnKit, Reason, Trip, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT, lacks, serves } from './completeness'
import { listed, packOf } from './parts'

type Of<C extends Reason['code']> = Extract<Reason, { code: C }>
const LENSES: Record<Of<'policy-lenses'>['policy'], string> = {
  'one-zoom': 'one zoom and nothing else',
  'trio-of-zooms': 'at most three zooms, and no primes',
  primes: 'primes only',
}
const BODIES: Record<Of<'policy-second-body'>['policy'], string> = {
  none: 'no second body',
  twin: 'a twin of the first body',
  specialist: 'a second body of another sort',
}
const PICTURES: Record<NonNullable<Of<'pictures'>['because']>, string> = {
  'no-body': 'The kit must take pictures, and no body is in the locker.',
  'no-lens': 'The kit must take pictures, and no lens in the locker fits a body.',
  'out-of-reach': 'The kit must take pictures, and nothing in the locker serves any want.',
}

type Says = { [C in Reason['code']]: (r: Of<C>, names: Names, units: Units, trip: Pick<Trip, 'marks'>) => string }

const SAY: Says = {
  'must-take': (r, n) => `${n.thing(r.item)} must come${r.here ? '' : ', but it is not here in time'}.`,
  'must-leave': (r, n) => `${n.thing(r.item)} must stay${r.held ? ', but the open kit holds on to it: leave it on the bench first' : ''}.`,
  slot: (r, _n, _u, trip) => `${trip.marks.slots.find((s) => s.id === r.slot)?.name ?? 'A slot'} takes this or that, not both.`,
  need: (r, n) => {
    const why = serves(r.what, r.label)
    return `${n.thing(r.item)} needs what it hangs on: ${why.startsWith(r.what) ? lacks(r.what, r.label) : why}.`
  },
  'leg-of-bag': (r, n, u) => `${n.leg(r.leg)} takes ${fmt.load(r.allowed_g, u)} in ${n.thing(r.bag)}.`,
  'leg-of-person': (r, n, u) => `${n.leg(r.leg)} takes ${fmt.load(r.allowed_g, u)} from ${n.person(r.person)}.`,
  person: (r, n, u) => `${n.person(r.person)} carries ${fmt.load(r.allowed_g, u)} well, and no more.`,
  volume: (r, n, u) => `${n.thing(r.bag)} has room for ${fmt.volume(r.room_l, u)} beside what stays.`,
  limit: (r, _n, u) => `You asked for ${fmt.load(r.limit_g, u)}; what stays in any case weighs ${fmt.load(r.kept_g, u)}.`,
  'policy-lenses': (r) => `You asked for ${LENSES[r.policy]}.`,
  'policy-second-body': (r) => `You asked for ${BODIES[r.policy]}.`,
  'policy-gaps': (r, n) => `${n.want(r.want)} may have no gap.`,
  pictures: (r) => (r.because ? PICTURES[r.because] : 'The kit must take pictures that some want asks for.'),
}

type Why = OwnKit['why'][number]
type WhyOf<C extends Why['code']> = Extract<Why, { code: C }>
const BROKEN: Record<WhyOf<'policy'>['policy'], string> = {
  lenses: 'other lenses than the school you asked for',
  'second-body': 'another second body than you asked for',
  gaps: 'gaps, which you refused',
}

/** Things of one kind of reason in a row, the heaviest of them by name: "Legs 1190 g, Cube 548 g and 3 more". */
function namesOf(whys: readonly { item: string; mass_g?: number }[], names: Names, units: Units): string {
  const said = whys.slice(0, 3).map((w) => `${names.thing(w.item)}${w.mass_g ? ` ${fmt.mass(w.mass_g, units)}` : ''}`)
  if (whys.length > said.length) said.push(`${whys.length - said.length} more`)
  return said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)}` : (said[0] ?? '')
}
/** "Body 24 has no SD card"; "Step ring: no loaded filter has a 82 mm thread" */
function lacking({ item, what, label }: WhyOf<'lacks'>, names: Names): string {
  const why = serves(what, label)
  return why.startsWith(what) ? `${names.thing(item)} ${lacks(what, label)}` : `${names.thing(item)} serves nothing (${why})`
}
type Whys = { [C in Why['code']]: (whys: readonly [WhyOf<C>, ...WhyOf<C>[]], names: Names, units: Units) => string }
/** Why an own kit scores more than the curve at its mass: what it has, or lacks, that the search did not allow itself. */
const WHY: Whys = {
  kept: (w, n, u) => `it does without ${namesOf(w, n, u)}, which ${w.length > 1 ? 'stay' : 'stays'} here in any case`,
  'must-take': (w, n, u) => `it leaves ${namesOf(w, n, u)}, which you marked as must come`,
  'must-leave': (w, n, u) => `it takes ${namesOf(w, n, u)}, which you marked as must stay`,
  slot: () => 'it takes several things that you let share one place',
  policy: (w) => `it has ${w.map((one) => BROKEN[one.policy]).join(' and ')}`,
  lacks: (w, n) => w.slice(0, 3).map((one) => lacking(one, n)).join(', ') + (w.length > 3 ? `, and ${w.length - 3} more` : ''),
  packs: (w) => `it has fewer ${listed(w.map((one) => packOf(one.type)))}s than run at one time`,
  days: () => 'some day of it is more than anybody carries well',
  effect: (w, n) => w.map((one) => `it has no ${EFFECT[one.effect] ?? 'filter'} for ${n.want(one.want)}`).join(', '),
  'not-in-play': (w, n, u) => `it takes ${namesOf(w, n, u)}: not here, not yours, or no better than something lighter`,
  limit: ([w], _n, u) => `it weighs more than the ${fmt.load(w.limit_g, u)} you asked for`,
  leg: (w, n) => `${w.map((one) => n.leg(one.leg)).join(' and ')} ${w.length > 1 ? 'refuse' : 'refuses'} it`,
  lasts: ([w]) => `its power and cards carry ${w.days} of ${w.of_days} days, the curve’s all of them`,
  copies: () => 'some night it leaves pictures in fewer places than you asked, the curve does not',
  unproved: () => 'the search had no time to prove its points: search again',
  room: () => 'packed by trial, not all of it may go into the bags: see Stow',
}
/** "Kit B lies above the curve: it does without Legs 1190 g, which stays here in any case." */
export function whyAbove(own: OwnKit, name: string, names: Names, units: Units): string {
  const codes = [...new Set(own.why.map((w) => w.code))]
  const said = codes.flatMap((code) => {
    // The table gives each code the sentence for its own type.
    const say = WHY[code] as (whys: readonly Why[], names: Names, units: Units) => string
    return [say(own.why.filter((w) => w.code === code), names, units)]
  })
  return `${name} lies above the curve: ${said.join('; ')}.`
}

export function reasonText(reason: Reason, names: Names, units: Units, trip: Pick<Trip, 'marks'>): string {
  const say = SAY[reason.code] as (r: Reason, names: Names, units: Units, trip: Pick<Trip, 'marks'>) => string
  return say(reason, names, units, trip)
}
