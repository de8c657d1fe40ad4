/** Findings to sentences: a head that says what, and a line that says how much. */
import type { Names } from './names'
import type { Finding, FindingCode, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { COMPLETENESS } from './completeness'
import { GATE } from './gate'
import { ABSENCE, AIDS, PIECE } from './kinds'
import { item, list, many, type Of, type Say, type Says, type Sentence } from './parts'
import { PLACE } from './place'
import { STAMINA } from './stamina'

function range(finding: { from_mm: number; to_mm: number }): string {
  return fmt.focalRange(finding.from_mm, finding.to_mm)
}
type Refusal = Extract<Finding, { leg: string; risked: boolean }>
function otherLegs(finding: Refusal): string {
  const more = finding.legs - 1
  return more > 0 ? `, and on ${more} more ${more === 1 ? 'leg' : 'legs'}` : ''
}
function whose(finding: Refusal, names: Names): string {
  return `${finding.piece ? PIECE[finding.piece] : 'Bags'}, ${names.person(finding.person)}`
}

/** Who travels light-looking takes the risk of being weighed. */
function ifWeighed(finding: Refusal): string {
  return finding.risked ? 'If they weigh it: ' : ''
}

/** What is left of power and cards: "packs for 3 of 9 days, nothing charges, 3 of 30 cards left". */
function stranded(finding: Of<'lost-bag'>): string {
  const told = [`packs for ${finding.power_days} of ${finding.of_days} days`]
  if (!finding.charges) told.push('nothing charges')
  told.push(`${finding.cards} of ${many(finding.all_cards, 'card')} left`)
  return told.join(', ')
}

const BECAUSE = {
  reach: 'Nothing loaded reaches it',
  light: 'What reaches it is too slow for the light you asked',
  pixels: 'Cropping that far leaves too few pixels',
  trait: 'What reaches it lacks something you called essential',
}

/** A sentence for each code: one that is missing does not compile. */
const SAY: Says<FindingCode> = {
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
    head: `${ifWeighed(f)}${whose(f, n)}: ${fmt.mass(f.over_g, u)} over.`,
    body: `${item(f, n)} weighs ${fmt.load(f.mass_g, u)}; ${n.leg(f.leg)} allows ${fmt.limit(f.allowed_g, u)}${otherLegs(f)}.`,
  }),
  'leg-size': (f, n, u) => ({
    head: `${whose(f, n)}: ${fmt.side(f.over_mm, u)} too big.`,
    body: `One side of ${item(f, n)} is ${fmt.side(f.side_mm, u)}; ${n.leg(f.leg)} allows ${fmt.side(f.allowed_mm, u)}${otherLegs(f)}.`,
  }),
  'leg-soft': (f, n) => ({
    head: `${whose(f, n)}: soft bags only.`,
    body: `${item(f, n)} is a hard case; ${n.leg(f.leg)} takes none${otherLegs(f)}.`,
  }),
  'leg-sum': (f, n, u) => ({
    head: `${whose(f, n)}: ${fmt.side(f.over_mm, u)} too big in all.`,
    body: `The sides of ${item(f, n)} add up to ${fmt.side(f.sum_mm, u)}; ${n.leg(f.leg)} allows ${fmt.side(f.allowed_mm, u)}${otherLegs(f)}.`,
  }),
  'leg-count': (f, n) => ({
    head: `${whose(f, n)}: ${f.pieces} where ${f.allowed} may go.`,
    body: `${n.leg(f.leg)} takes no more pieces of this kind${otherLegs(f)}.`,
  }),
  'leg-together': (f, n, u) => ({
    head: `${ifWeighed(f)}${n.person(f.person)}: ${fmt.mass(f.over_g, u)} over in all.`,
    body: `The bags together weigh ${fmt.load(f.mass_g, u)}; ${n.leg(f.leg)} allows ${fmt.limit(f.allowed_g, u)}${otherLegs(f)}.`,
  }),
  unplaced: (f, n, u) => ({
    head: `${fmt.load(f.mass_g, u)} in no bag.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} on ${n.person(f.person)} because no bag is loaded; no scale at a gate has weighed ${(f.items ?? []).length > 1 ? 'them' : 'it'}. A bag takes ${(f.items ?? []).length > 1 ? 'them' : 'it'} in; what you do mean to wear, place on ${n.person(f.person)} yourself.`,
  }),
  'want-unmet': (f, n) => ({
    head: `Nothing yet for ${n.want(f.want)}.`,
    body: `${BECAUSE[f.because]}: ${range(f)}.`,
  }),
  gap: (f, n) => ({
    head: `${n.want(f.want)}: gap ${range(f)}.`,
    body: `${BECAUSE[f.because]}.`,
  }),
  'not-held': (f, n) => ({
    head: `${n.want(f.want)}: nothing holds the camera still.`,
    body: 'You want it held still, and no legs, clamp or bag of beans is loaded: by hand it is another picture, and the want scores nothing.',
  }),
  'aid-missing': (f, n) => {
    const { count, have } = f
    const aid = AIDS[f.aid]
    return {
      head: `${n.want(f.want)} asks for ${count > 1 ? `${count} of: ${aid}` : aid}.`,
      body: have ? `${have} of ${count} ${have === 1 ? 'is' : 'are'} loaded; the want scores by that share.` : 'Nothing loaded serves it, so the want scores nothing.',
    }
  },
  'light-legs': (f, n, u) => ({
    head: `Light for wind: ${item(f, n)}.`,
    body: `${fmt.load(f.mass_g, u)}, and something is to be held still on ${many(f.days, 'windy day')}. Keep it low, hang weight from it, or take heavier legs (under 1.5 kg is light, estimate).`,
  }),
  'too-cold': (f, n, u) => ({
    head: tooCold(f, n, u),
    body: `Warm enough for ${many(f.have, 'person', 'people')} of ${f.people}. Figures of makers are for dry, fed, rested people: general guidance, trained people decide.`,
  }),
  'water-beside': (f, n) => ({
    head: `${item(f, n)} lies beside ${n.thing(f.items?.[1] ?? '')}.`,
    body: `${n.thing(f.bag)} has one place for both: what leaks takes the electronics along. Carry water outside, or on you.`,
  }),
  'lost-bag': (f, n) => ({
    head: `${list(f.items ?? [], n)} lost on day one: ${stranded(f)}.`,
    body: 'The cameras would still be there. Packs, cards and a charger in two bags, and one lost bag costs half.',
  }),
  'support-loaded': (f, n, u) => ({
    head: `${item(f, n)} bears ${fmt.load(f.mass_g, u)} of ${fmt.load(f.rated_g, u)}.`,
    body: `${list((f.items ?? []).slice(1), n)} for ${n.want(f.want)}, with the plate: ${f.severity === 'caution' ? 'more than it is rated for. It sags, or falls' : 'two thirds of its rating or more (estimate). In wind it shivers; weigh it down'}.`,
  }),
  'cover-left': (f, n) => ({
    head: `${{ rain: 'Rain', spray: 'Spray', snow: 'Snow', dust: 'Dust' }[f.weather]}, and no cover.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} not sealed, and something is wanted on ${many(f.days, 'such day')}.`,
  }),
  'medicine-held': (f, n) => ({
    head: `${item(f, n)} is checked in.`,
    body: `In ${n.thing(f.bag)} nobody gets at it on the way, and a bag may be late. What you need at hand belongs with you.`,
  }),
  'native-gap': (f, n) => ({
    head: `No lens sees ${range(f)}.`,
    body: `${n.want(f.want)}${f.wants > 1 ? ` and ${f.wants - 1} more cross it` : ' crosses it'}${f.cures?.length ? ', but you can bridge it:' : '; you crop afterwards there.'}`,
  }),
  'heavy-load': (f, n, u) => ({
    head: `${n.person(f.person)} carries ${fmt.load(f.carried_g, u)}.`,
    body: `${fmt.percent(f.share)} of body mass, past the ${fmt.percent(f.line)} line. General guidance, not medical advice; rest, split it, or carry twice.`,
  }),
  overfull: (f, n, u) => ({
    head: `${item(f, n)} holds too much.`,
    body: `${fmt.volume(f.litres, u)} of things by their outer sizes, for ${fmt.volume(f.volume_l, u)}.`,
  }),
  'idle-optics': (f, n, u) => ({
    head: `${item(f, n)} fits nothing loaded.`,
    body: `${fmt.mass(f.mass_g, u)} for no picture.`,
  }),
  'absent-loaded': (f, n) => {
    const { until } = f
    return {
      head: `${item(f, n)} is not here.`,
      body: `It is ${ABSENCE[f.reason] ?? 'away'}${until ? `; it must be back by ${day(until)}` : ''}.`,
    }
  },
}

export type { Sentence } from './parts'
export const CODES = Object.keys(SAY) as FindingCode[]

export function say(finding: Finding, names: Names, units: Units): Sentence {
  return (SAY[finding.code] as Say)(finding, names, units)
}

/** Too thin for that cold, or warm enough and too few of it. */
function tooCold(f: Of<'too-cold'>, n: Names, u: Units): string {
  const cold = `${day(f.day)} gets ${fmt.temperature(f.lowest_c, u)}`
  if (f.have) return `${item(f, n)} for ${f.have} of ${f.people} people; ${cold}.`
  return `${item(f, n)} ${f.sort === 'worn' ? 'is worn' : 'keeps a sleeper warm'} down to ${fmt.temperature(f.comfort_c, u)}; ${cold}.`
}
