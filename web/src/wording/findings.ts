/** Findings to sentences: a head that says what, a line that says how much, and cures that say what to do. */
import type { Names } from '@/composables/useBench'
import type { Cure, CureCode, Finding, FindingCode, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { COMPLETENESS } from './completeness'
import { GATE } from './gate'
import { ABSENCE, PIECE } from './kinds'
import { item, list, many, number, ref, type Say, type Sentence } from './parts'
import { PLACE } from './place'
import { STAMINA } from './stamina'

function range(finding: Finding): string {
  return fmt.focalRange(number(finding, 'from_mm'), number(finding, 'to_mm'))
}
function otherLegs(finding: Finding): string {
  const more = number(finding, 'legs') - 1
  return more > 0 ? `, and on ${more} more ${more === 1 ? 'leg' : 'legs'}` : ''
}
function whose(finding: Finding, names: Names): string {
  const piece = ref(finding, 'piece')
  const what = piece in PIECE ? PIECE[piece as keyof typeof PIECE] : 'Bags'
  return `${what}, ${names.person(ref(finding, 'person'))}`
}

/** Who travels light-looking takes the risk of being weighed. */
function ifWeighed(finding: Finding): string {
  return ref(finding, 'policy') === 'light-looking' ? 'If they weigh it: ' : ''
}

const BECAUSE: Record<string, string> = {
  reach: 'Nothing loaded reaches it',
  light: 'What reaches it is too slow for the light you asked',
  pixels: 'Cropping that far leaves too few pixels',
  trait: 'What reaches it lacks something you called essential',
}

/** A sentence for each code: one that is missing does not compile. */
const SAY: Record<FindingCode, Say> = {
  ...COMPLETENESS,
  ...PLACE,
  ...STAMINA,
  ...GATE,
  'no-people': () => ({ head: 'Nobody carries yet.', body: 'Add the people of this trip, so that bags have a back to hang on.' }),
  'no-days': () => ({ head: 'No days yet.', body: 'Add the days, with the coldest hour of each.' }),
  'no-wants': () => ({ head: 'No wants yet.', body: 'Say which pictures you want to come home with; then each lens has a worth.' }),
  'nothing-loaded': () => ({ head: 'The bag is empty.', body: 'Load things on the Bench: one click on the mat each.' }),
  'no-set-up': () => ({ head: 'Nothing here takes a picture.', body: 'No loaded body has a lens that fits it.' }),
  'leg-mass': (f, n, u) => ({
    head: `${ifWeighed(f)}${whose(f, n)}: ${fmt.mass(number(f, 'over'), u)} over.`,
    body: `${item(f, n)} weighs ${fmt.load(number(f, 'value'), u)}; ${n.leg(ref(f, 'leg'))} allows ${fmt.limit(number(f, 'allowed'), u)}${otherLegs(f)}.`,
  }),
  'leg-size': (f, n, u) => ({
    head: `${whose(f, n)}: ${fmt.side(number(f, 'over'), u)} too big.`,
    body: `One side of ${item(f, n)} is ${fmt.side(number(f, 'value'), u)}; ${n.leg(ref(f, 'leg'))} allows ${fmt.side(number(f, 'allowed'), u)}${otherLegs(f)}.`,
  }),
  'leg-sum': (f, n, u) => ({
    head: `${whose(f, n)}: ${fmt.side(number(f, 'over'), u)} too big in all.`,
    body: `The sides of ${item(f, n)} add up to ${fmt.side(number(f, 'value'), u)}; ${n.leg(ref(f, 'leg'))} allows ${fmt.side(number(f, 'allowed'), u)}${otherLegs(f)}.`,
  }),
  'leg-count': (f, n) => ({
    head: `${whose(f, n)}: ${number(f, 'value')} where ${number(f, 'allowed')} may go.`,
    body: `${n.leg(ref(f, 'leg'))} takes no more pieces of this kind${otherLegs(f)}.`,
  }),
  'leg-together': (f, n, u) => ({
    head: `${ifWeighed(f)}${n.person(ref(f, 'person'))}: ${fmt.mass(number(f, 'over'), u)} over in all.`,
    body: `The bags together weigh ${fmt.load(number(f, 'value'), u)}; ${n.leg(ref(f, 'leg'))} allows ${fmt.limit(number(f, 'allowed'), u)}${otherLegs(f)}.`,
  }),
  unplaced: (f, n, u) => ({
    head: `${fmt.load(number(f, 'mass_g'), u)} in no bag.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} on ${n.person(ref(f, 'person'))} because no bag is loaded; no scale at a gate has weighed ${(f.items ?? []).length > 1 ? 'them' : 'it'}. A bag takes ${(f.items ?? []).length > 1 ? 'them' : 'it'} in; what you do mean to wear, place on ${n.person(ref(f, 'person'))} yourself.`,
  }),
  'want-unmet': (f, n) => ({
    head: `Nothing yet for ${n.want(ref(f, 'want'))}.`,
    body: `${BECAUSE[ref(f, 'because')] ?? ''}: ${range(f)}.`,
  }),
  gap: (f, n) => ({
    head: `Gap ${range(f)}.`,
    body: `Wanted for ${n.want(ref(f, 'want'))}. ${BECAUSE[ref(f, 'because')] ?? ''}.`,
  }),
  'native-gap': (f, n) => ({
    head: `No lens sees ${range(f)}.`,
    body: `${n.want(ref(f, 'want'))}${number(f, 'wants') > 1 ? ` and ${number(f, 'wants') - 1} more cross it` : ' crosses it'}${f.curable ? ', but you can bridge it:' : '; you crop afterwards there.'}`,
  }),
  'heavy-load': (f, n, u) => ({
    head: `${n.person(ref(f, 'person'))} carries ${fmt.load(number(f, 'carried_g'), u)}.`,
    body: `${fmt.percent(number(f, 'share'))} of body mass, past the ${fmt.percent(number(f, 'line'))} line. General guidance, not medical advice; rest, split it, or carry twice.`,
  }),
  overfull: (f, n, u) => ({
    head: `${item(f, n)} holds too much.`,
    body: `${fmt.volume(number(f, 'litres'), u)} of things by their outer sizes, for ${fmt.volume(number(f, 'volume_l'), u)}.`,
  }),
  'idle-optics': (f, n, u) => ({
    head: `${item(f, n)} fits nothing loaded.`,
    body: `${fmt.mass(number(f, 'mass_g'), u)} for no picture.`,
  }),
  'absent-loaded': (f, n) => {
    const until = ref(f, 'until')
    return {
      head: `${item(f, n)} is not here.`,
      body: `It is ${ABSENCE[ref(f, 'reason')] ?? 'away'}${until ? `; it must be back by ${day(until)}` : ''}.`,
    }
  },
}

/** What is said once cures were looked for and none was found; nothing where the sentence does without. */
const UNCURED: Partial<Record<FindingCode, string>> = { 'missing-link': 'Nothing in the locker gives it.' }
export function uncured(finding: Finding): string {
  return UNCURED[finding.code] ?? ''
}

export type { Sentence } from './parts'
export const CODES = Object.keys(SAY) as FindingCode[]

export function say(finding: Finding, names: Names, units: Units): Sentence {
  return SAY[finding.code](finding, names, units)
}

function things(cure: Cure): string[] {
  return (cure.edits ?? []).map((edit) => edit.item)
}

/** "2 × " of two pieces of one thing, nothing of one. */
function counted(cure: Cure): string {
  const [only] = cure.edits?.length === 1 ? cure.edits : []
  return only?.act === 'load' && (only.count ?? 1) > 1 ? `${only.count} × ` : ''
}

function target(cure: Cure, names: Names): string {
  const first = cure.edits?.[0]
  const place = first && 'place' in first ? first.place : null
  if (place && 'bag' in place) return names.thing(place.bag)
  return place && 'person' in place ? names.person(place.person) : ''
}

interface Way {
  which: string
  change: string
  numbers: Record<string, number>
  cure: Cure
  names: Names
  units: Units
}
const moved = ({ numbers, units }: Way): string => fmt.mass(numbers.moved_g ?? 0, units)
/** Words for each way out: one that is missing does not compile. */
const DO: Record<CureCode, (way: Way) => string> = {
  load: ({ which, change, cure }) => `Load ${counted(cure)}${which} (${change})`,
  'load-may-pass': ({ which, change }) => `Load ${which} (${change}); it may pass, ask there`,
  'load-partly': ({ which, change, numbers }) => `${which} would help (${change}, the want then ${fmt.percent(numbers.cover_after ?? 0)})`,
  leave: ({ which, change, numbers }) => `Leave ${which} (${change}${numbers.points ? `, costs ${fmt.figure(numbers.points, 1)} points` : ''})`,
  wear: (way) => `Carry ${way.which} on ${target(way.cure, way.names)} (moves ${moved(way)})`,
  move: (way) => `Move ${way.which} to ${target(way.cure, way.names)} (${moved(way)})`,
  'take-off': ({ which, cure, names }) => `Take ${which} off the outside, into ${target(cure, names)}`,
  'crop-mode': ({ numbers }) => `${numbers.crop}× crop mode reaches ${fmt.focal(numbers.to_mm ?? 0)} mm with ${fmt.figure(numbers.megapixels ?? 0)} MP left (0 g)`,
  stitch: ({ numbers }) => `${numbers.frames} stitched frames see as wide as ${fmt.focal(numbers.to_mm ?? 0)} mm (0 g)`,
  'get-packs': ({ which, change, numbers, cure }) =>
    things(cure).length ? `Load ${counted(cure)}${which} and get ${fmt.figure(numbers.packs ?? 0)} more (${change})` : `Buy, borrow or hire ${many(numbers.packs ?? 0, 'more pack')} (${change})`,
  'power-bank-by-day': () => 'Top up from a bank in the bag by day: then it lasts (0 g)',
  'power-charge-nightly': () => 'Charge nightly: then it lasts (0 g)',
  'power-usb-c': () => 'Charge in the cameras over USB-C: then it lasts (0 g)',
  'power-packs-only': () => 'Do not charge at all: the packs last anyway (0 g)',
  'erase-after': ({ numbers }) => `Erase a card once it has ${many(numbers.copies ?? 2, 'copy', 'copies')}: then the cards last (0 g)`,
  'few-big': () => 'Fill each card before you change it: then the cards last (0 g)',
}

/** A cure as an action with its price; it is a button when it has edits, a hint otherwise. */
export function cureText(cure: Cure, names: Names, units: Units): string {
  return DO[cure.code]({ which: list(things(cure), names), change: fmt.massChange(cure.mass_change_g ?? 0, units), numbers: cure.numbers ?? {}, cure, names, units })
}
