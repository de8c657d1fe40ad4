/** Why no kit can be chosen: each demand that has a part in the contradiction, in words. */
import type { Names } from './names'
import type { OwnKit, Reason, Trip, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT, lacks, serves } from './completeness'
import { batteriesOf, listed } from './parts'

type Of<C extends Reason['code']> = Extract<Reason, { code: C }>
const LENSES: Record<Of<'policy-lenses'>['policy'], string> = {
  'one-zoom': 'one zoom and nothing else',
  'trio-of-zooms': 'at most three zooms, and no primes',
  primes: 'primes only',
}
const BODIES: Record<Of<'policy-second-body'>['policy'], string> = {
  none: 'no second body',
  twin: 'a second body like the first',
  specialist: 'a different second body',
}
const PICTURES: Record<NonNullable<Of<'pictures'>['because']>, string> = {
  'no-body': 'No camera body in your locker.',
  'no-lens': 'No lens in your locker fits a body.',
  'out-of-reach': 'Nothing in your locker can take any of the shots.',
}

type Says = { [C in Reason['code']]: (r: Of<C>, names: Names, units: Units, trip: Pick<Trip, 'marks'>) => string }

const SAY: Says = {
  'must-take': (r, n) => `${n.thing(r.item)} is marked “always take”${r.here ? '' : ', but it is not here in time'}.`,
  'must-leave': (r, n) => `${n.thing(r.item)} is marked “leave at home”${r.held ? ', but the open kit needs it. Leave it on the Bench first' : ''}.`,
  slot: (r, _n, _u, trip) => `${trip.marks.slots.find((s) => s.id === r.slot)?.name ?? 'A group'}: take only one of them.`,
  need: (r, n) => {
    const why = serves(r.what, r.label)
    return `${n.thing(r.item)} needs something else: ${why.startsWith(r.what) ? lacks(r.what, r.label) : why}.`
  },
  'leg-of-bag': (r, n, u) => `${n.leg(r.leg)} takes ${fmt.load(r.allowed_g, u)} in ${n.thing(r.bag)}.`,
  'leg-of-person': (r, n, u) => `${n.leg(r.leg)} takes ${fmt.load(r.allowed_g, u)} from ${n.person(r.person)}.`,
  person: (r, n, u) => `${n.person(r.person)} has a comfortable load of ${fmt.load(r.allowed_g, u)}.`,
  volume: (r, n, u) => `${n.thing(r.bag)} has room for ${fmt.volume(r.room_l, u)} beside the gear that always comes.`,
  limit: (r, _n, u) => `The limit is ${fmt.load(r.limit_g, u)}; gear that always comes weighs ${fmt.load(r.kept_g, u)}.`,
  'policy-lenses': (r) => `You chose ${LENSES[r.policy]}.`,
  'policy-second-body': (r) => `You chose ${BODIES[r.policy]}.`,
  'policy-gaps': (r, n) => `${n.want(r.want)} may have no gap.`,
  pictures: (r) => (r.because ? PICTURES[r.because] : 'The kit must be able to take one of the shots.'),
}

type Why = OwnKit['why'][number]
type WhyOf<C extends Why['code']> = Extract<Why, { code: C }>
const BROKEN: Record<WhyOf<'policy'>['policy'], string> = {
  lenses: 'lenses other than you chose',
  'second-body': 'a second body other than you chose',
  gaps: 'gaps, which you do not allow',
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
  return why.startsWith(what) ? `${names.thing(item)} ${lacks(what, label)}` : `${names.thing(item)} has no use (${why})`
}
type Whys = { [C in Why['code']]: (whys: readonly [WhyOf<C>, ...WhyOf<C>[]], names: Names, units: Units) => string }
/** Why an own kit scores more than the curve at its mass: what it has, or lacks, that the search did not allow itself. */
const WHY: Whys = {
  kept: (w, n, u) => `it leaves ${namesOf(w, n, u)}, which the search always takes`,
  'must-take': (w, n, u) => `it leaves ${namesOf(w, n, u)}, marked “always take”`,
  'must-leave': (w, n, u) => `it takes ${namesOf(w, n, u)}, marked “leave at home”`,
  slot: () => 'it takes several items of a take-one group',
  policy: (w) => `it has ${w.map((one) => BROKEN[one.policy]).join(' and ')}`,
  lacks: (w, n) => w.slice(0, 3).map((one) => lacking(one, n)).join(', ') + (w.length > 3 ? `, and ${w.length - 3} more` : ''),
  packs: (w) => `it has fewer ${listed(w.map((one) => batteriesOf(one.type)))} than its gear runs on at once`,
  days: () => 'one day’s bag is over everyone’s comfortable load',
  effect: (w, n) => w.map((one) => `it has no ${EFFECT[one.effect] ?? 'filter'} for ${n.want(one.want)}`).join(', '),
  'not-in-play': (w, n, u) => `it takes ${namesOf(w, n, u)}: absent, not yours, or no better than something lighter`,
  limit: ([w], _n, u) => `it weighs more than the limit of ${fmt.load(w.limit_g, u)}`,
  leg: (w, n) => `${w.map((one) => n.leg(one.leg)).join(' and ')} ${w.length > 1 ? 'refuse' : 'refuses'} it`,
  lasts: ([w]) => `its power and cards last ${w.days} of ${w.of_days} days; kits on the curve last them all`,
  copies: () => 'on some night it makes fewer copies than you planned; kits on the curve do not',
  unproved: () => 'the search ran out of time for proofs: search again',
  room: () => 'not all of it may fit into the bags: see Stow',
}
/** "Kit B lies above the curve: it does without Legs 1190 g, which stays here in any case." */
export function whyAbove(own: OwnKit, name: string, names: Names, units: Units): string {
  const codes = [...new Set(own.why.map((w) => w.code))]
  const said = codes.flatMap((code) => {
    // The table gives each code the sentence for its own type.
    const say = WHY[code] as (whys: readonly Why[], names: Names, units: Units) => string
    return [say(own.why.filter((w) => w.code === code), names, units)]
  })
  return `${name} is above the curve: ${said.join('; ')}.`
}

export function reasonText(reason: Reason, names: Names, units: Units, trip: Pick<Trip, 'marks'>): string {
  const say = SAY[reason.code] as (r: Reason, names: Names, units: Units, trip: Pick<Trip, 'marks'>) => string
  return say(reason, names, units, trip)
}
