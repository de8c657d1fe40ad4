/** A fix of any sort: what is not said costs nothing and changes nothing. */
import type { Cure } from '@/api/types'

const COMMON = { edits: [], gets: [], mass_change_g: 0, points: 0, power_days: 0, partly: false, rest: 0, brings: [], also: [], on: {}, wants: {} } satisfies Partial<Cure>
/** What a sort of fix says itself, and whatever else it is to say. */
type Own<C> = C extends Cure ? Omit<C, keyof typeof COMMON> & Partial<Pick<C, keyof typeof COMMON & keyof C>> : never

export function cure(own: Own<Cure>): Cure {
  return { ...COMMON, ...own } as Cure
}
