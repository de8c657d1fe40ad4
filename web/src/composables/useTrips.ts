/** The shelf of trips. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import type { RouteLocationRaw } from 'vue-router'
import { ask, client } from '@/api/client'
import { changed, queries } from '@/api/cache'
import { tripPatternsQuery, tripsQuery } from '@/api/queries/trips'
import type { NewTrip, Trip, TripDoc, Want } from '@/api/types'

/** The bench of the current trip, or the shelf when no trip is current. */
export async function currentBench(): Promise<RouteLocationRaw> {
  const trips = await queries.fetchQuery(tripsQuery)
  const current = trips.find((doc) => doc.trip.status === 'current')
  return current ? { name: 'bench', params: { trip: current.trip.id, kit: current.open_kit } } : { name: 'trips' }
}

export function useTrips() {
  const query = useQuery(tripsQuery)
  const refresh = () => changed('trips')
  const add = useMutation({
    mutationFn: (wish: NewTrip) => ask(client.POST('/api/trips', { body: wish })),
    onSuccess: () => changed('everything'),
  })
  const copy = useMutation({
    mutationFn: (wish: { slug: string; name: string; start: string | null }) =>
      ask(client.POST('/api/trips/{slug}/copy', { params: { path: { slug: wish.slug } }, body: { name: wish.name, start: wish.start } })),
    onSuccess: refresh,
  })
  const save = useMutation({
    mutationFn: (doc: { version: number; trip: Trip }) =>
      ask(client.PUT('/api/trips/{slug}', { params: { path: { slug: doc.trip.id } }, body: doc })),
    onSuccess: (doc: TripDoc) => changed('trip', { trip: doc.trip.id }),
  })
  const remove = useMutation({
    mutationFn: (slug: string) => ask(client.DELETE('/api/trips/{slug}', { params: { path: { slug } } })),
    onSuccess: refresh,
  })
  const bringIn = useMutation({
    mutationFn: async (file: File) =>
      ask(
        client.POST('/api/exchange/plans', {
          body: {},
          // The file goes out as it is: the server tells what is wrong with it.
          bodySerializer: () => file,
          headers: { 'Content-Type': 'application/json' },
        }),
      ),
    onSuccess: () => changed('everything'),
  })
  return { trips: query.data, loading: query.isPending, error: query.error, add, copy, save, remove, bringIn }
}

/** Trips to begin from. */
export function useTripPatterns() {
  return useQuery(tripPatternsQuery).data
}

/** The wants that words name; what is understood of none says so. */
export async function wantsSaid(text: string, taken: string[] = []): Promise<{ typed: string; want: Want | null }[]> {
  return (await ask(client.POST('/api/brief/wants', { body: { text, taken } }))).map((one) => ({ typed: one.typed, want: one.want as Want | null }))
}
