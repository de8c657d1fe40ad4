/** Trips, what a brief can begin with, and who plans along. */
import { keepPreviousData, queryOptions, skipToken } from '@tanstack/vue-query'
import { FOR_GOOD, read } from '../asking'
import { KEY } from '../cache'
import { ask, client } from '../client'

export const tripsQuery = read(KEY.trips, (signal) => client.GET('/api/trips', { signal }))
export const wantSetsQuery = { ...read(KEY.wantSets, (signal) => client.GET('/api/brief/want-sets', { signal })), ...FOR_GOOD }
export const tripPatternsQuery = { ...read(KEY.tripPatterns, (signal) => client.GET('/api/brief/trip-patterns', { signal })), ...FOR_GOOD }
/** How the kits of a trip stand; asked again whenever the trip is laid on the shelf. */
export const glanceQuery = (trip: string) => ({
  ...read([...KEY.benchesOf(trip), 'glance'] as const, (signal) => client.GET('/api/trips/{slug}/glance', { params: { path: { slug: trip } }, signal })),
  staleTime: 0,
})
export const compareQuery = (trip: string, kits: readonly string[]) =>
  queryOptions({
    queryKey: [...KEY.comparisonsOf(trip), kits.join()],
    queryFn: kits.length >= 2 ? ({ signal }) => ask(client.GET('/api/trips/{slug}/compare', { params: { path: { slug: trip }, query: { kits: kits.join() } }, signal })) : skipToken,
    placeholderData: keepPreviousData,
    // A click on the bench changes what is compared.
    staleTime: 0,
  })

export const linksQuery = (trip: string) => ({
  ...read([...KEY.links, trip] as const, (signal) => client.GET('/api/sharing/{slug}/links', { params: { path: { slug: trip } }, signal })),
  enabled: trip !== '',
})
export const alongQuery = read(KEY.along, (signal) => client.GET('/api/sharing/along', { signal }))
export const carriersOfQuery = (trip: string) => read(KEY.carriersOf(trip), (signal) => client.GET('/api/trips/{slug}/carriers', { params: { path: { slug: trip } }, signal }))
export const lentQuery = (trip: string) => ({
  ...read(KEY.lentTo(trip), (signal) => client.GET('/api/trips/{slug}/lent', { params: { path: { slug: trip } }, signal })),
  enabled: trip !== '',
})
