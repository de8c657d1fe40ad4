/** A kit on the table, and what is said of it or of a thought. */
import { queryOptions, skipToken } from '@tanstack/vue-query'
import { aboutKit, BRIEFLY, kitPath, standIn, WHOLE, type At, type Stamped } from '../asking'
import { KEY, queries } from '../cache'
import { ask, client } from '../client'
import { Problem } from '../problem'
import type { Edit, Entry } from '../types'
import { curesOf } from './cures'

/** A kit in thought: what it holds, or edits of what it holds. */
export interface Wish {
  entries?: Entry[]
  edits?: Edit[]
}
/** What the last packing of a kit came to. */
export interface Packed {
  stamp: string
  left: number
}

export const benchQuery = (at: At) =>
  queryOptions({
    queryKey: KEY.bench(at.trip, at.kit),
    queryFn: ({ signal }) => ask(client.GET('/api/trips/{slug}/kits/{kit}', { params: { path: kitPath(at) }, signal })),
    // Another kit of the same trip stands in until this one is here; of another trip it would say what is not so.
    placeholderData: (before) => (before?.trip.trip.id === at.trip ? before : undefined),
    ...WHOLE,
  })

/** Changed elsewhere: what is shown is read again, and its new stamp asks anew. */
function readAgain(at: At): Problem {
  void queries.invalidateQueries({ queryKey: KEY.bench(at.trip, at.kit) })
  return new Problem(409, 'The kit has changed meanwhile.')
}

/** The advice on a kit, or on what a wish would make of it. An older one keeps the place, and is told as such. */
export const adviceQuery = (at: Stamped | null, wish: Wish | null) =>
  queryOptions({
    queryKey: ['advice', at, wish],
    queryFn: at
      ? async ({ signal }) => {
          if (wish) return ask(client.POST('/api/trips/{slug}/kits/{kit}/what-if/advice', { params: { path: kitPath(at) }, body: { edits: [], ...wish }, signal }))
          const told = await ask(client.GET('/api/trips/{slug}/kits/{kit}/advice', { params: { path: kitPath(at) }, signal }))
          if (told.stamp !== at.stamp) throw readAgain(at)
          return told.advice
        }
      : skipToken,
    placeholderData: standIn(at),
    retry: false,
    ...WHOLE,
    ...BRIEFLY,
  })

/** The findings on a kit, or on what a wish would make of it, with ways out: told one by one, so that the first is here at once. */
export const curesQuery = (at: Stamped | null, wish: Wish | null) => ({
  ...curesOf([...KEY.cures, at, wish], at && `/api/trips/${at.trip}/kits/${at.kit}/cures`, { edits: [], ...wish }, (stamp) => {
    if (at && stamp !== at.stamp && !wish) throw readAgain(at)
  }),
  placeholderData: standIn(at),
})

/** The facts about what a wish would make of a kit. */
export const thoughtQuery = (at: Stamped | null, wish: Wish | null) =>
  aboutKit('thought', at, (path, signal) => client.POST('/api/trips/{slug}/kits/{kit}/what-if', { params: { path }, body: { edits: [], ...wish }, signal }), [wish ?? undefined])

/** What the last packing came to: written here by whoever packed, never fetched. */
export const packedQuery = (trip: string, kit: string) => queryOptions<Packed | null>({ queryKey: KEY.packed(trip, kit), queryFn: () => null, enabled: false })
