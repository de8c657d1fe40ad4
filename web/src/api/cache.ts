/** One cache for what the server said: its keys, and what each change touches. */
import { QueryClient, type QueryKey } from '@tanstack/vue-query'
import { Problem } from './problem'

/** How long an answer counts as new. */
export const FRESH_MS = 30_000
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: FRESH_MS,
      retry: (count, error) => !(error instanceof Problem) && count < 2,
      refetchOnWindowFocus: false,
      // Without a network the service worker answers with what it kept: to wait for one would show nothing at all.
      networkMode: 'offlineFirst',
    },
    // A change that silently waits for a network is done later, when nobody remembers it: it fails at once instead.
    mutations: { networkMode: 'always' },
  },
})

/** The keys' first words: what a change touches is named by them. */
export const KEY = {
  session: ['session'],
  signIns: ['sign-ins'],
  links: ['links'],
  window: ['window'],
  locker: ['locker'],
  typical: ['typical'],
  tripPatterns: ['trip patterns'],
  carriers: ['carriers'],
  carrierPatterns: ['carrier-patterns'],
  usualRestrictions: ['usual-restrictions'],
  wantSets: ['want-sets'],
  trips: ['trips'],
  benches: ['bench'],
  benchesOf: (trip: string) => ['bench', trip],
  bench: (trip: string, kit: string) => ['bench', trip, kit],
  comparisons: ['compare'],
  comparisonsOf: (trip: string) => ['compare', trip],
  along: ['along'],
  carriersOf: (trip: string) => ['carriers', trip],
  lentTo: (trip: string) => ['lent', trip],
  field: (trip: string) => ['field', trip],
  stationsOf: (trip: string) => ['stations', trip],
  lookBacks: ['look-back'],
  cures: ['cures'],
  packed: (trip: string, kit: string) => ['packed', trip, kit],
} as const

// What hangs on a kit, its trip, the locker and the carriers has the stamp of all four in its key: it is never asked
// for under an old one, so a change need not touch it.
const TOUCHES = {
  kit: ({ trip }: { trip: string }) => [KEY.comparisonsOf(trip)],
  kits: ({ trip }: { trip: string }) => [KEY.benchesOf(trip), KEY.comparisonsOf(trip), KEY.trips],
  trip: ({ trip }: { trip: string }) => [KEY.benchesOf(trip), KEY.comparisonsOf(trip), KEY.trips],
  trips: () => [KEY.trips],
  locker: () => [KEY.locker, KEY.benches, KEY.comparisons, KEY.lookBacks],
  lent: ({ trip }: { trip: string }) => [KEY.lentTo(trip), KEY.benchesOf(trip), KEY.comparisonsOf(trip)],
  carriers: () => [KEY.carriers, KEY.benches, KEY.comparisons],
  noted: ({ trip }: { trip: string }) => [KEY.stationsOf(trip), KEY.lookBacks],
  weighed: ({ trip }: { trip: string }) => [KEY.benchesOf(trip), KEY.comparisonsOf(trip)],
  pictures: ({ trip }: { trip: string }) => [KEY.stationsOf(trip), KEY.lookBacks],
  everything: () => [[]],
} satisfies Record<string, (at: { trip: string }) => readonly QueryKey[]>

/** Keeps what a change has made of an answer. A read of it that is under way may be older: it is cut off, and done again. */
export function keepMade<T>(queryKey: QueryKey, make: (before: T | undefined) => T | undefined): void {
  const one = { queryKey, exact: true }
  const reading = queries.isFetching(one) > 0
  if (reading) void queries.cancelQueries(one)
  queries.setQueryData<T>(queryKey, make)
  if (reading) void queries.invalidateQueries(one)
}

/** Says that something was changed: what hangs on it is asked for again as soon as a screen shows it. */
export async function changed(what: keyof typeof TOUCHES, at: { trip: string } = { trip: '' }): Promise<void> {
  await Promise.all(TOUCHES[what](at).map((queryKey) => queries.invalidateQueries({ queryKey })))
}
