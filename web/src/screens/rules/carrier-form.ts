/** Carrier rules as they are typed: one row per kind of piece. */
import type { Carrier, PieceKind, PieceRule } from '@/api/types'
import type { Units } from '@/api/types'
import * as fmt from '@/format/units'

export const PIECES: PieceKind[] = ['cabin', 'personal', 'hold']

/** The rule of a kind of piece, or one without limits. */
export function ruleFor(carrier: Carrier, piece: PieceKind): PieceRule {
  return (carrier.pieces ?? []).find((rule) => rule.piece === piece) ?? { piece, count: null, size_mm: null, sum_mm: null, mass_g: null, soft_only: false }
}

function empty({ piece: _, ...limits }: PieceRule): boolean {
  return Object.values(limits).every((limit) => limit === null || limit === undefined || limit === false)
}

/** The carrier with one rule changed; a rule without any limit is left out. */
export function withRule(carrier: Carrier, rule: PieceRule): Carrier {
  const pieces = PIECES.map((piece) => (piece === rule.piece ? rule : ruleFor(carrier, piece))).filter((r) => !empty(r))
  return { ...carrier, pieces }
}

/** Where a rule stands in the list the server sees, for its complaints. */
export function ruleIndex(carrier: Carrier, piece: PieceKind): number {
  return (carrier.pieces ?? []).findIndex((rule) => rule.piece === piece)
}

/** A frame with one side changed; null when all sides are empty. */
export function withSide(size: readonly (number | null)[] | null | undefined, at: number, value: number | null): number[] | null {
  const next = [0, 1, 2].map((i) => (i === at ? value : (size?.[i] ?? null)))
  return next.every((side) => side === null) ? null : (next as number[])
}

/** "cabin 55 × 40 × 23 cm, 8 kg · hold 158 cm in all, 23 kg". */
export function summary(carrier: Carrier, units: Units): string {
  const NAME: Record<PieceKind, string> = { cabin: 'cabin', personal: 'personal', hold: 'hold' }
  const parts = (carrier.pieces ?? []).map((rule) => {
    if (rule.count === 0) return `no ${NAME[rule.piece]} bag`
    const limits = [
      rule.soft_only ? 'soft only' : '',
      rule.count && rule.count > 1 ? `${rule.count} pieces` : '',
      rule.size_mm ? fmt.sides(rule.size_mm, units) : '',
      rule.sum_mm ? `${fmt.side(rule.sum_mm, units)} in all` : '',
      rule.mass_g ? fmt.limit(rule.mass_g, units) : '',
    ].filter(Boolean)
    return limits.length ? `${NAME[rule.piece]} ${limits.join(', ')}` : ''
  })
  const together = (carrier.together ?? []).map((t) => `${t.pieces.map((p) => NAME[p]).join(' + ')} ${fmt.limit(t.mass_g, units)} together`)
  return [...parts, ...together].filter(Boolean).join(' · ') || 'no limits'
}
