/** What the scales show, from the assessment. Worst first. */
import type { Assessment, Check, PieceKind, Units } from '@/api/types'
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
    case 'sum':
      return `${fmt.side(over, units)} too big in all`
  }
}

export function briefScale(assessment: Assessment): { score: number; weakest: string | null } {
  const weakest = [...assessment.coverage.wants].sort((a, b) => a.cover - b.cover)[0]
  return { score: assessment.coverage.score, weakest: weakest?.want ?? null }
}
