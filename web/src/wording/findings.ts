/** Findings to sentences: a head that says what, and a line that says how much. */
import type { Names } from './names'
import type { Finding, FindingCode, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { COMPLETENESS } from './completeness'
import { GATE } from './gate'
import { ABSENCE, AIDS, PIECE } from './kinds'
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

/** What is left of power and cards: "packs for 3 of 9 days, nothing charges, 3 of 30 cards left". */
function stranded(finding: Finding): string {
  const told = [`packs for ${number(finding, 'power_days')} of ${number(finding, 'of_days')} days`]
  if (!number(finding, 'charges')) told.push('nothing charges')
  told.push(`${number(finding, 'cards')} of ${many(number(finding, 'all_cards'), 'card')} left`)
  return told.join(', ')
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
  'leg-soft': (f, n) => ({
    head: `${whose(f, n)}: soft bags only.`,
    body: `${item(f, n)} is a hard case; ${n.leg(ref(f, 'leg'))} takes none${otherLegs(f)}.`,
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
    head: `${n.want(ref(f, 'want'))}: gap ${range(f)}.`,
    body: `${BECAUSE[ref(f, 'because')] ?? ''}.`,
  }),
  'not-held': (f, n) => ({
    head: `${n.want(ref(f, 'want'))}: nothing holds the camera still.`,
    body: 'You want it held still, and no legs, clamp or bag of beans is loaded: by hand it is another picture, and the want scores nothing.',
  }),
  'aid-missing': (f, n) => {
    const aid = AIDS[ref(f, 'aid') as keyof typeof AIDS] ?? ref(f, 'aid')
    const [count, have] = [number(f, 'count'), number(f, 'have')]
    return {
      head: `${n.want(ref(f, 'want'))} asks for ${count > 1 ? `${count} of: ${aid}` : aid}.`,
      body: have ? `${have} of ${count} ${have === 1 ? 'is' : 'are'} loaded; the want scores by that share.` : 'Nothing loaded serves it, so the want scores nothing.',
    }
  },
  'light-legs': (f, n, u) => ({
    head: `Light for wind: ${item(f, n)}.`,
    body: `${fmt.load(number(f, 'mass_g'), u)}, and something is to be held still on ${many(number(f, 'days'), 'windy day')}. Keep it low, hang weight from it, or take heavier legs (under 1.5 kg is light, estimate).`,
  }),
  'too-cold': (f, n, u) => ({
    head: tooCold(f, n, u),
    body: `Warm enough for ${many(number(f, 'have'), 'person', 'people')} of ${number(f, 'people')}. Figures of makers are for dry, fed, rested people: general guidance, trained people decide.`,
  }),
  'water-beside': (f, n) => ({
    head: `${item(f, n)} lies beside ${n.thing(f.items?.[1] ?? '')}.`,
    body: `${n.thing(ref(f, 'bag'))} has one place for both: what leaks takes the electronics along. Carry water outside, or on you.`,
  }),
  'lost-bag': (f, n) => ({
    head: `${list(f.items ?? [], n)} lost on day one: ${stranded(f)}.`,
    body: 'The cameras would still be there. Packs, cards and a charger in two bags, and one lost bag costs half.',
  }),
  'support-loaded': (f, n, u) => ({
    head: `${item(f, n)} bears ${fmt.load(number(f, 'mass_g'), u)} of ${fmt.load(number(f, 'rated_g'), u)}.`,
    body: `${list((f.items ?? []).slice(1), n)} for ${n.want(ref(f, 'want'))}, with the plate: ${f.severity === 'caution' ? 'more than it is rated for. It sags, or falls' : 'two thirds of its rating or more (estimate). In wind it shivers; weigh it down'}.`,
  }),
  'cover-left': (f, n) => ({
    head: `${({ rain: 'Rain', spray: 'Spray', snow: 'Snow', dust: 'Dust' } as Record<string, string>)[ref(f, 'weather')] ?? 'Weather'}, and no cover.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} not sealed, and something is wanted on ${many(number(f, 'days'), 'such day')}.`,
  }),
  'medicine-held': (f, n) => ({
    head: `${item(f, n)} is checked in.`,
    body: `In ${n.thing(ref(f, 'bag'))} nobody gets at it on the way, and a bag may be late. What you need at hand belongs with you.`,
  }),
  'native-gap': (f, n) => ({
    head: `No lens sees ${range(f)}.`,
    body: `${n.want(ref(f, 'want'))}${number(f, 'wants') > 1 ? ` and ${number(f, 'wants') - 1} more cross it` : ' crosses it'}${f.cures?.length ? ', but you can bridge it:' : '; you crop afterwards there.'}`,
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

export type { Sentence } from './parts'
export const CODES = Object.keys(SAY) as FindingCode[]

export function say(finding: Finding, names: Names, units: Units): Sentence {
  return SAY[finding.code](finding, names, units)
}

/** Too thin for that cold, or warm enough and too few of it. */
function tooCold(f: Finding, n: Names, u: Units): string {
  const cold = `${day(ref(f, 'day'))} gets ${fmt.temperature(number(f, 'lowest_c'), u)}`
  if (number(f, 'have')) return `${item(f, n)} for ${number(f, 'have')} of ${number(f, 'people')} people; ${cold}.`
  return `${item(f, n)} ${ref(f, 'sort') === 'worn' ? 'is worn' : 'keeps a sleeper warm'} down to ${fmt.temperature(number(f, 'comfort_c'), u)}; ${cold}.`
}
