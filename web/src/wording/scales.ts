/** What the scales show, from the assessment. Worst first. */
import type { Assessment, Check, PieceKind, Units } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'

export interface BagScale {
  bag: string
  person: string
  piece: PieceKind
  mass_g: number
  limit_g: number | null
  leg: string | null
}

/** Pieces of luggage with the strictest mass limit on them; most over (or nearest to its limit) first. */
export function bagScales(assessment: Assessment): BagScale[] {
  const checks = assessment.legs.flatMap((leg) => leg.checks).filter((check) => check.limit === 'mass')
  const scales = assessment.loads.pieces.map((piece) => {
    const mine = checks.filter((check) => check.bag === piece.bag).sort((a, b) => a.allowed - b.allowed)[0]
    return { ...piece, limit_g: mine?.allowed ?? null, leg: mine?.leg ?? null }
  })
  const rank = (scale: BagScale): number => (scale.limit_g === null ? -1 : scale.mass_g / scale.limit_g)
  return scales.sort((a, b) => rank(b) - rank(a) || b.mass_g - a.mass_g)
}

/** "weighed 8.42 kg, then +178 g"; nothing where no scale saw the bag. */
export function weighedText(bag: { weighed_g: number | null; since_g: number }, units: Units): string {
  if (bag.weighed_g === null) return ''
  return `weighed ${fmt.load(bag.weighed_g, units)}${Math.abs(bag.since_g) >= 0.5 ? `, then ${fmt.massChange(bag.since_g, units)}` : ''}`
}

export function personScales(assessment: Assessment) {
  return [...assessment.loads.people].sort((a, b) => (b.share ?? 0) - (a.share ?? 0) || b.carried_g - a.carried_g)
}

export function volumeScales(assessment: Assessment) {
  return [...assessment.loads.bags].sort((a, b) => b.litres / b.volume_l - a.litres / a.volume_l)
}

/** One refused limit in a few words: "567 g over", "1 cm too big", "2 pieces, 1 may go". */
export function refusal(check: Check, units: Units): string {
  const over = check.value - check.allowed
  switch (check.limit) {
    case 'mass':
      return `${fmt.mass(over, units)} over`
    case 'together':
      return `${fmt.mass(over, units)} over together`
    case 'count':
      return `${check.value} pieces, ${check.allowed} may go`
    case 'size':
      return `${fmt.side(over, units)} too big`
    case 'soft':
      return 'a hard case; soft bags only'
    case 'sum':
      return `${fmt.side(over, units)} too big in all`
  }
}

export function briefScale(assessment: Assessment): { score: number; weakest: string | null } {
  const weakest = [...assessment.coverage.wants].sort((a, b) => a.cover - b.cover)[0]
  return { score: assessment.coverage.score, weakest: weakest?.want ?? null }
}

/** A scale that counts days. days: carried before the first short one; null where there is nothing to judge. */
export interface DayScale {
  days: number | null
  note: string
}
type Lasts = Assessment['lasts']

/** What was taken for the nights that nobody told; nothing where they were. */
export function assumedNights(lasts: Lasts, mains: boolean): string {
  if (lasts.nights_told || lasts.days < 2) return ''
  return `nights not set: ${mains ? '8 h of 2 outlets' : 'no mains'} assumed`
}
const UNCOUNTED = { 'no-days': 'no days yet', 'no-camera': 'no camera loaded', 'nothing-asks': 'nothing loaded needs power', 'slots-unknown': 'card slots of the camera unknown' }
/** How long the packs last. A type of which none is loaded is missing: no day of it can be counted. */
export function powerScale(lasts: Lasts, name: (id: string) => string, mains: boolean): DayScale {
  const carried = lasts.power_days
  if (typeof carried === 'string') return { days: null, note: carried === 'none-loaded' ? `no ${lasts.missing.map(name).join(', no ')} loaded` : UNCOUNTED[carried] }
  const short = lasts.types.filter((t) => t.short_on).sort((a, b) => a.short_on!.localeCompare(b.short_on!))[0]
  if (short) return { days: carried, note: `${name(short.type)} short, ${day(short.short_on!)}` }
  const thin = lasts.types.filter((t) => t.worst_margin !== null).sort((a, b) => a.worst_margin! - b.worst_margin!)[0]
  return { days: carried, note: assumedNights(lasts, mains) || (thin ? `${fmt.percent(thin.worst_margin!)} to spare, ${name(thin.type)}` : '') }
}
/** How long the cards last, and in how many places pictures are by night. */
export function cardScale(lasts: Lasts): DayScale {
  const carried = lasts.card_days
  if (typeof carried === 'string') return { days: null, note: carried === 'none-loaded' ? `no ${lasts.cards.length === 1 ? `${lasts.cards[0]!.type} ` : ''}card loaded` : UNCOUNTED[carried] }
  if (carried < lasts.days) return { days: carried, note: 'then no card is left' }
  if (lasts.copies_fewest === null) return { days: carried, note: 'no pictures planned' }
  const on = lasts.copies_short_on ? `, ${lasts.copies_short > 1 ? `${lasts.copies_short} nights from ${day(lasts.copies_short_on)}` : day(lasts.copies_short_on)}` : ' every night'
  return { days: carried, note: `in ${lasts.copies_short_on ? `${lasts.copies_fewest} of ${lasts.copies}` : lasts.copies} places${on}` }
}
/** What the heaviest loaded person carries, as a share of their body mass where that was told. */
export function backNote(share: number | null | undefined): string {
  if (share === undefined) return 'no people yet'
  return share === null ? 'body mass not given' : `${fmt.percent(share)} of body mass`
}
