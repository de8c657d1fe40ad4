/** Planning along with somebody: this page speaks for the trip of another, and for one's own account about all else. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { changed } from '@/api/cache'
import { alongQuery, lentQuery } from '@/api/queries/trips'
import type { Opened } from '@/api/types'
import { actThrough } from './useSharing'

/** For this page and its reloads; another tab is one's own. */
const KEPT = 'narrow-mule-along'

/** The trip of another that this page plans along with. */
export const along = shallowRef<Opened | null>(JSON.parse(sessionStorage.getItem(KEPT) ?? 'null') as Opened | null)
if (along.value) actThrough(along.value)

/** From now on with whoever opened this; with nobody, where it is nothing. */
export function planAlong(opened: Opened | null): void {
  if (opened?.link === along.value?.link) return
  if (opened) sessionStorage.setItem(KEPT, JSON.stringify(opened))
  else sessionStorage.removeItem(KEPT)
  along.value = opened
  actThrough(opened)
  // What is kept for a time without a network is kept by address: two trips of one name would be one.
  if ('caches' in globalThis) void caches.delete('answers')
}

/** Trips of others that this account plans along with. */
export function useTripsAlong() {
  return useQuery(alongQuery).data
}

/** What others lent to a trip, and the verbs of whoever lends. */
export function useLent(trip: MaybeRefOrGetter<string>) {
  const query = useQuery(computed(() => lentQuery(toValue(trip))))
  const refresh = () => changed('lent', { trip: toValue(trip) })
  const lend = useMutation({
    mutationFn: (items: string[]) => ask(client.POST('/api/trips/{slug}/lent', { params: { path: { slug: toValue(trip) } }, body: { items } })),
    onSuccess: refresh,
  })
  const takeBack = useMutation({
    mutationFn: (item: string) => ask(client.DELETE('/api/trips/{slug}/lent/{item}', { params: { path: { slug: toValue(trip), item } } })),
    onSuccess: refresh,
  })
  return { lent: query.data, lend, takeBack }
}
