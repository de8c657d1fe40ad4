/** One cache for what the server said: every query with its key and options, and what each change touches. */
import { keepPreviousData, QueryClient, queryOptions, skipToken, type QueryKey } from '@tanstack/vue-query'
import { ask, client, heardOf } from './client'
import { Problem } from './problem'
import { stream } from './stream'
import type { CureLine, Edit, Entry, Finding, FoamWish, PackOut, Stamina } from './types'

/** How long an answer counts as new. */
const FRESH_MS = 30_000
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

/** A kit of a trip. */
export interface At {
  trip: string
  kit: string
}
/** A kit as it was when an answer was given about it: the stamp is another one after every change that matters. */
export interface Stamped extends At {
  stamp: string
}
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

/** What was here before stands in only where it is about the same kit. */
function ofSameKit(at: At | null) {
  return <T>(before: T | undefined, query?: { queryKey: QueryKey }): T | undefined => {
    const last = query?.queryKey[1] as At | null | undefined
    return at && last && last.trip === at.trip && last.kit === at.kit ? before : undefined
  }
}
/** The same, where it also answers the same question: one day's bag never stands in for another's. */
function ofSameQuestion(at: At | null, asked: string) {
  return <T>(before: T | undefined, query?: { queryKey: QueryKey }): T | undefined => (query?.queryKey[2] === asked ? ofSameKit(at)(before, query) : undefined)
}
const path = ({ trip, kit }: At) => ({ slug: trip, kit })
// Answers replace each other whole: comparing or proxying hundreds of things on every click is time lost.
const WHOLE = { structuralSharing: false, shallow: true } as const
const FOR_GOOD = { staleTime: Infinity } as const
/** An answer of a minute ago is asked for again, but not kept for long. */
const BRIEFLY = { gcTime: 60_000 } as const

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

export const sessionQuery = queryOptions({
  queryKey: KEY.session,
  queryFn: async () => {
    const session = await ask(client.GET('/api/session'))
    heardOf(session.account)
    return session
  },
  ...FOR_GOOD,
})
/** How the kits of a trip stand; asked anew whenever the trip is laid on the shelf. */
export const glanceQuery = (trip: string) => queryOptions({ queryKey: ['bench', trip, 'glance'], queryFn: () => ask(client.GET('/api/trips/{slug}/glance', { params: { path: { slug: trip } } })), staleTime: 0 })
/** loaded: ids; null as it is laid out at first. */
export const windowQuery = (loaded: string[] | null) =>
  queryOptions({
    queryKey: [...KEY.window, loaded] as const,
    queryFn: () => ask(client.GET('/api/window', { params: { query: loaded ? { loaded: loaded.join(',') } : {} } })),
    placeholderData: keepPreviousData,
    ...FOR_GOOD,
    ...WHOLE,
  })

export const linksQuery = (trip: string) =>
  queryOptions({ queryKey: [...KEY.links, trip], queryFn: () => ask(client.GET('/api/sharing/{slug}/links', { params: { path: { slug: trip } } })), enabled: trip !== '' })
export const alongQuery = queryOptions({ queryKey: KEY.along, queryFn: () => ask(client.GET('/api/sharing/along')) })
export const carriersOfQuery = (trip: string) => queryOptions({ queryKey: KEY.carriersOf(trip), queryFn: () => ask(client.GET('/api/trips/{slug}/carriers', { params: { path: { slug: trip } } })) })
export const lentQuery = (trip: string) => queryOptions({ queryKey: KEY.lentTo(trip), queryFn: () => ask(client.GET('/api/trips/{slug}/lent', { params: { path: { slug: trip } } })), enabled: trip !== '' })
export const signInsQuery = queryOptions({ queryKey: KEY.signIns, queryFn: () => ask(client.GET('/api/session/sign-ins')) })
export const lockerQuery = queryOptions({ queryKey: KEY.locker, queryFn: () => ask(client.GET('/api/locker/things')) })
export const typicalQuery = queryOptions({ queryKey: KEY.typical, queryFn: () => ask(client.GET('/api/locker/typical')), ...FOR_GOOD })
export const carriersQuery = queryOptions({ queryKey: KEY.carriers, queryFn: () => ask(client.GET('/api/carriers')) })
export const carrierPatternsQuery = queryOptions({ queryKey: KEY.carrierPatterns, queryFn: () => ask(client.GET('/api/carriers/patterns')), ...FOR_GOOD })
export const usualRestrictionsQuery = queryOptions({ queryKey: KEY.usualRestrictions, queryFn: () => ask(client.GET('/api/carriers/usual-restrictions')), ...FOR_GOOD })
export const wantSetsQuery = queryOptions({ queryKey: KEY.wantSets, queryFn: () => ask(client.GET('/api/brief/want-sets')), ...FOR_GOOD })
export const tripPatternsQuery = queryOptions({ queryKey: KEY.tripPatterns, queryFn: () => ask(client.GET('/api/brief/trip-patterns')), ...FOR_GOOD })
export const tripsQuery = queryOptions({ queryKey: KEY.trips, queryFn: () => ask(client.GET('/api/trips')) })

export const benchQuery = (at: At) =>
  queryOptions({
    queryKey: KEY.bench(at.trip, at.kit),
    queryFn: () => ask(client.GET('/api/trips/{slug}/kits/{kit}', { params: { path: path(at) } })),
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
      ? async () => {
          if (wish) return ask(client.POST('/api/trips/{slug}/kits/{kit}/what-if/advice', { params: { path: path(at) }, body: { edits: [], ...wish } }))
          const told = await ask(client.GET('/api/trips/{slug}/kits/{kit}/advice', { params: { path: path(at) } }))
          if (told.stamp !== at.stamp) throw readAgain(at)
          return told.advice
        }
      : skipToken,
    placeholderData: ofSameKit(at),
    retry: false,
    ...WHOLE,
    ...BRIEFLY,
  })

/** Between two paintings of what comes one by one. */
const BETWEEN_MS = 150

/** What came so far of the answer about cures. whole: no more will come. */
export interface CuresFound {
  findings: readonly Finding[]
  whole: boolean
}
/** A part of an answer is never new: whoever comes back to it after it was cut off asks for all of it. */
const UNTIL_WHOLE = { staleTime: ({ state }: { state: { data?: CuresFound | undefined } }) => (state.data?.whole ? FRESH_MS : 0) }
/** Findings with their ways out, one by one: what came so far is shown. about: is told what they are about. */
async function curesTold(path: string, body: unknown, show: (found: CuresFound) => void, signal: AbortSignal, about: (stamp: string) => void = () => {}): Promise<CuresFound> {
  let findings: readonly Finding[] = []
  let [whole, next] = [false, 0]
  await stream<CureLine>(
    path,
    body,
    ({ stamp, finding, ...last }) => {
      whole ||= last.whole ?? false
      if (stamp) about(stamp)
      if (!finding) return
      findings = [...findings, finding]
      // The first way out is shown at once; what follows so quickly is not painted one by one.
      if (!finding.cures?.length || performance.now() < next) return
      next = performance.now() + BETWEEN_MS
      show({ findings, whole: false })
    },
    signal,
  )
  if (!whole) throw new Problem(409, 'The kit has changed meanwhile.')
  return { findings, whole }
}
/** The findings on a kit, or on what a wish would make of it, with ways out: told one by one, so that the first is here at once. */
export const curesQuery = (at: Stamped | null, wish: Wish | null) => {
  const queryKey = [...KEY.cures, at, wish]
  return queryOptions({
    queryKey,
    queryFn: at
      ? ({ signal }) =>
          curesTold(
            `/api/trips/${at.trip}/kits/${at.kit}/cures`,
            { edits: [], ...wish },
            (found) => queries.setQueryData<CuresFound>(queryKey, found),
            signal,
            (stamp) => {
              if (stamp !== at.stamp && !wish) throw readAgain(at)
            },
          )
      : skipToken,
    placeholderData: ofSameKit(at),
    retry: false,
    ...UNTIL_WHOLE,
    ...WHOLE,
    ...BRIEFLY,
  })
}

export const thoughtQuery = (at: Stamped | null, wish: Wish | null) =>
  queryOptions({
    queryKey: ['thought', at, wish],
    queryFn: at && wish ? () => ask(client.POST('/api/trips/{slug}/kits/{kit}/what-if', { params: { path: path(at) }, body: { edits: [], ...wish } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })

export const compareQuery = (trip: string, kits: readonly string[]) =>
  queryOptions({
    queryKey: [...KEY.comparisonsOf(trip), kits.join()],
    queryFn: kits.length >= 2 ? () => ask(client.GET('/api/trips/{slug}/compare', { params: { path: { slug: trip }, query: { kits: kits.join() } } })) : skipToken,
    placeholderData: keepPreviousData,
    // A click on the bench changes what is compared.
    staleTime: 0,
  })

/** Packs and pictures day by day; stamina: settings that are tried. */
export const staminaQuery = (at: Stamped | null, stamina: Stamina | undefined) =>
  queryOptions({
    queryKey: ['stamina', at, stamina],
    queryFn: at && stamina ? () => ask(client.POST('/api/trips/{slug}/kits/{kit}/stamina', { params: { path: path(at) }, body: { stamina } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })

export const staminaAdviceQuery = (at: Stamped | null, stamina: Stamina | undefined) =>
  queryOptions({
    queryKey: ['stamina-advice', at, stamina],
    queryFn: at && stamina ? () => ask(client.POST('/api/trips/{slug}/kits/{kit}/stamina/advice', { params: { path: path(at) }, body: { stamina } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })

/** The gate drill of a kit: it stows what comes out, so it is fetched when it is asked for. */
export const drillQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['drill', at],
    queryFn: at ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/gate-drill', { params: { path: path(at) } })) : skipToken,
  })

export const outingQuery = (at: Stamped | null, loadout: string) =>
  queryOptions({
    queryKey: ['outing', at, loadout],
    queryFn: at && loadout ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/loadouts/{loadout}', { params: { path: { ...path(at), loadout } } })) : skipToken,
    placeholderData: ofSameQuestion(at, loadout),
  })

/** The trip by its days: what goes out of the door on each. */
export const daysQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['days', at],
    queryFn: at ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/days', { params: { path: path(at) } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })
/** Who carries what: the sharing that loads the most loaded least. It is searched for, so it is fetched when asked for. */
export const splitQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['split', at],
    queryFn: at ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/split', { params: { path: path(at) } })) : skipToken,
    ...WHOLE,
    ...BRIEFLY,
  })
/** Which one thing more covers most. */
export const sparesQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['spares', at],
    queryFn: at ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/spares', { params: { path: path(at) } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })
/** What some moves of a kit come to. */
export const movesQuery = (at: Stamped | null, edits: Edit[]) =>
  queryOptions({
    queryKey: ['moves', at, edits],
    queryFn: at && edits.length ? () => ask(client.POST('/api/trips/{slug}/kits/{kit}/split/so', { params: { path: path(at) }, body: { edits } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...WHOLE,
    ...BRIEFLY,
  })
/** What lies at the base on a day, where the trip says what that is. */
export const baseQuery = (at: Stamped | null, on: string) =>
  queryOptions({
    queryKey: ['base', at, on],
    queryFn: at && on ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/days/{on}/base', { params: { path: { ...path(at), on } } })) : skipToken,
    placeholderData: ofSameQuestion(at, on),
    ...WHOLE,
    ...BRIEFLY,
  })
/** What each thing in the bag of a day earns then, and what goes first. */
export const dayAdviceQuery = (at: Stamped | null, on: string) =>
  queryOptions({
    queryKey: ['day-advice', at, on],
    queryFn: at && on ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/days/{on}/advice', { params: { path: { ...path(at), on } } })) : skipToken,
    placeholderData: ofSameQuestion(at, on),
    ...WHOLE,
    ...BRIEFLY,
  })
/** What is amiss with the bag of a day, with ways out of what lies at the base. */
export const dayCuresQuery = (at: Stamped | null, on: string) => {
  const queryKey = ['day-cures', at, on]
  return queryOptions({
    queryKey,
    queryFn: at && on ? ({ signal }) => curesTold(`/api/trips/${at.trip}/kits/${at.kit}/days/${on}/cures`, {}, (found) => queries.setQueryData<CuresFound>(queryKey, found), signal) : skipToken,
    retry: false,
    ...UNTIL_WHOLE,
    ...WHOLE,
    ...BRIEFLY,
  })
}

export const foamQuery = (at: Stamped, bag: string, wish: FoamWish) =>
  queryOptions({
    queryKey: ['foam', at, bag, wish],
    queryFn: () => ask(client.GET('/api/exchange/foam/{slug}/{kit}/{bag}', { params: { path: { ...path(at), bag }, query: wish } })),
    placeholderData: ofSameKit(at),
  })

export const foamCasesQuery = (at: Stamped, bag: string, wish: FoamWish) =>
  queryOptions({
    queryKey: ['foam-cases', at, bag, wish],
    queryFn: () => ask(client.GET('/api/exchange/foam/{slug}/{kit}/{bag}/cases', { params: { path: { ...path(at), bag }, query: wish } })),
    placeholderData: ofSameKit(at),
  })

export const packOutQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['packout', at],
    // The client reads fixed sides of a box as any number of them.
    queryFn: at ? () => ask(client.GET('/api/field/{slug}/kits/{kit}/list', { params: { path: path(at) } })) as unknown as Promise<PackOut> : skipToken,
    placeholderData: ofSameKit(at),
    networkMode: 'always',
    ...FOR_GOOD,
  })

export const shoppingQuery = (at: Stamped | null) =>
  queryOptions({
    queryKey: ['shopping', at],
    queryFn: at ? () => ask(client.GET('/api/trips/{slug}/kits/{kit}/shopping', { params: { path: path(at) } })) : skipToken,
    placeholderData: ofSameKit(at),
    ...FOR_GOOD,
  })

export const fieldQuery = (trip: string) =>
  queryOptions({
    queryKey: KEY.field(trip),
    queryFn: () => ask(client.GET('/api/field/{slug}', { params: { path: { slug: trip } } })),
    networkMode: 'always',
  })

/** How far Pack-out, Trail and Look back are: that hangs on what was noted, not on the plan alone. */
export const stationsQuery = (at: Stamped) =>
  queryOptions({
    queryKey: [...KEY.stationsOf(at.trip), at.kit, at.stamp],
    queryFn: () => ask(client.GET('/api/field/{slug}/kits/{kit}/stations', { params: { path: path(at) } })),
    // Of another trip they would say what is not so.
    placeholderData: (before, query) => (query?.queryKey[1] === at.trip ? before : undefined),
  })

export const lookBackQuery = (at: At) =>
  queryOptions({
    queryKey: [...KEY.lookBacks, at],
    queryFn: () => ask(client.GET('/api/field/{slug}/kits/{kit}/look-back', { params: { path: path(at) } })),
  })

/** What the last packing came to: written here by whoever packed, never fetched. */
export const packedQuery = (trip: string, kit: string) => queryOptions<Packed | null>({ queryKey: KEY.packed(trip, kit), queryFn: () => null, enabled: false })
