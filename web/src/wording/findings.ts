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
  return finding.risked ? 'If weighed: ' : ''
}

/** What is left of power and cards: "packs for 3 of 9 days, nothing charges, 3 of 30 cards left". */
function stranded(finding: Of<'lost-bag'>): string {
  const told = [`batteries for ${finding.power_days} of ${finding.of_days} days`]
  if (!finding.charges) told.push('nothing charges')
  told.push(`${finding.cards} of ${many(finding.all_cards, 'card')} left`)
  return told.join(', ')
}

const BECAUSE = {
  reach: 'Nothing loaded reaches it',
  light: 'Lenses that reach it are too slow for this shot',
  pixels: 'Cropping that far leaves too few megapixels',
  trait: 'Lenses that reach it lack something this shot requires',
}

/** A sentence for each code: one that is missing does not compile. */
const SAY: Says<FindingCode> = {
  ...COMPLETENESS,
  ...PLACE,
  ...STAMINA,
  ...GATE,
  'no-people': () => ({ head: 'No people yet.', body: 'Add the people on this trip, so the app knows who carries what.' }),
  'no-days': () => ({ head: 'No days yet.', body: 'Add the days, with the coldest hour of each.' }),
  'no-wants': () => ({ head: 'No shots yet.', body: 'Add the pictures you want to come home with. Then each lens has a worth.' }),
  'nothing-loaded': () => ({ head: 'The bag is empty.', body: 'Load gear on the Bench: click it on the mat.' }),
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
    head: `${whose(f, n)}: ${fmt.side(f.over_mm, u)} too big in total.`,
    body: `The sides of ${item(f, n)} add up to ${fmt.side(f.sum_mm, u)}; ${n.leg(f.leg)} allows ${fmt.side(f.allowed_mm, u)}${otherLegs(f)}.`,
  }),
  'leg-count': (f, n) => ({
    head: `${whose(f, n)}: ${f.pieces} where ${f.allowed} ${f.allowed === 1 ? 'is' : 'are'} allowed.`,
    body: `${n.leg(f.leg)} takes no more pieces of this kind${otherLegs(f)}.`,
  }),
  'leg-together': (f, n, u) => ({
    head: `${ifWeighed(f)}${n.person(f.person)}: ${fmt.mass(f.over_g, u)} over in total.`,
    body: `The bags together weigh ${fmt.load(f.mass_g, u)}; ${n.leg(f.leg)} allows ${fmt.limit(f.allowed_g, u)}${otherLegs(f)}.`,
  }),
  unplaced: (f, n, u) => ({
    head: `${fmt.load(f.mass_g, u)} in no bag.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} on ${n.person(f.person)} because no bag is loaded, so no bag’s weight counts ${(f.items ?? []).length > 1 ? 'them' : 'it'}. Load a bag. If ${n.person(f.person)} really wears ${(f.items ?? []).length > 1 ? 'them' : 'it'}, place ${(f.items ?? []).length > 1 ? 'them' : 'it'} on ${n.person(f.person)} yourself.`,
  }),
  'want-unmet': (f, n) => ({
    head: `Nothing loaded for ${n.want(f.want)}.`,
    body: `${BECAUSE[f.because]}: ${range(f)}.`,
  }),
  gap: (f, n) => ({
    head: `${n.want(f.want)}: gap ${range(f)}.`,
    body: `${BECAUSE[f.because]}.`,
  }),
  'not-held': (f, n) => ({
    head: `${n.want(f.want)}: nothing holds the camera still.`,
    body: 'This shot needs a support, and the kit has no tripod, clamp or beanbag. Without one it does not count.',
  }),
  'aid-missing': (f, n) => {
    const { count, have } = f
    const aid = AIDS[f.aid]
    return {
      head: `${n.want(f.want)} needs ${count > 1 ? `${count} of: ${aid}` : aid}.`,
      body: have ? `${have} of ${count} ${have === 1 ? 'is' : 'are'} loaded; the shot counts by that share.` : 'Nothing loaded does that, so the shot does not count.',
    }
  },
  'light-legs': (f, n, u) => ({
    head: `${item(f, n)}: light for windy days.`,
    body: `${fmt.load(f.mass_g, u)}, and shots need it on ${many(f.days, 'windy day')}. Keep it low, hang weight from it, or take a heavier one (under 1.5 kg is light, estimate).`,
  }),
  'too-cold': (f, n, u) => ({
    head: tooCold(f, n, u),
    body: `Warm enough for ${many(f.have, 'person', 'people')} of ${f.people}. Makers’ figures are for dry, fed, rested people: general guidance; ask trained people.`,
  }),
  'water-beside': (f, n) => ({
    head: `${item(f, n)} is packed with ${n.thing(f.items?.[1] ?? '')}.`,
    body: `${n.thing(f.bag)} has one space for both. A leak would ruin the electronics: carry water outside or on you.`,
  }),
  'lost-bag': (f, n) => ({
    head: `${list(f.items ?? [], n)} lost on day one: ${stranded(f)}.`,
    body: 'The cameras would still be there. Divide batteries, cards and chargers between two bags, and one lost bag costs half.',
  }),
  'support-loaded': (f, n, u) => ({
    head: `${item(f, n)} bears ${fmt.load(f.mass_g, u)} of ${fmt.load(f.rated_g, u)}.`,
    body: `${list((f.items ?? []).slice(1), n)} for ${n.want(f.want)}, with the plate: ${f.severity === 'caution' ? 'more than its rating. It may sag or fall' : 'two thirds of its rating or more (estimate). In wind it shakes; hang weight from it'}.`,
  }),
  'cover-left': (f, n) => ({
    head: `${{ rain: 'Rain', spray: 'Spray', snow: 'Snow', dust: 'Dust' }[f.weather]} and no rain cover.`,
    body: `${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'are' : 'is'} not sealed, and you shoot on ${many(f.days, 'such day')}.`,
  }),
  'medicine-held': (f, n) => ({
    head: `${item(f, n)} is checked in.`,
    body: `You cannot reach ${n.thing(f.bag)} on the way, and a bag may be late. Keep medicine you need with you.`,
  }),
  'native-gap': (f, n) => ({
    head: `No lens covers ${range(f)}.`,
    body: `${n.want(f.want)}${f.wants > 1 ? ` and ${f.wants - 1} more need it` : ' needs it'}${f.cures?.length ? ', but you can bridge it:' : '; you would have to crop.'}`,
  }),
  'heavy-load': (f, n, u) => ({
    head: `${n.person(f.person)} carries ${fmt.load(f.carried_g, u)}.`,
    body: `${fmt.percent(f.share)} of body mass, over the ${fmt.percent(f.line)} line. General guidance, not medical advice. Rest, divide it, or go twice.`,
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
