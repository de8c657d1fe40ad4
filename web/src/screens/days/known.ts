/** What a search finds never takes the place of something lighter that is known already. */
import type { ProposedOuting } from '@/api/types'

/** Grams nearer than this are the same. */
const SAME_G = 0.5

/** The lightest known way that serves as much as `made` was to serve. points: of the curve, for the same days and bearer. */
export function lightestKnown(made: ProposedOuting, points: readonly ProposedOuting[]): ProposedOuting {
  if (made.way !== 'any') return made
  const serve = points.filter((point) => point.share >= made.share && !Object.keys(point.left).length)
  return serve.reduce((best, point) => (point.carried_g < best.carried_g - SAME_G ? point : best), made)
}
