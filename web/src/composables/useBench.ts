/** A kit on the table: trip, kits, locker, facts and advice, and the verbs that change it. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef, type MaybeRefOrGetter, toValue } from 'vue'
import { ask, client } from '@/api/client'
import type { Stamped } from '@/api/asking'
import { changed } from '@/api/cache'
import { benchQuery } from '@/api/queries/bench'
import type { Bench, Entry, Kit, Thing, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { useKitChanges } from './useKitChanges'

type Ref<T> = MaybeRefOrGetter<T>

export function useBench(trip: Ref<string>, kit: Ref<string>) {
  const query = useQuery(computed(() => benchQuery({ trip: toValue(trip), kit: toValue(kit) })))
  const bench = query.data
  /** What is shown, as it was when its answer was given; none while another kit stands in for it. */
  const at = computed<Stamped | null>(() =>
    bench.value && bench.value.state.kit.id === toValue(kit) && bench.value.trip.trip.id === toValue(trip)
      ? { trip: toValue(trip), kit: toValue(kit), stamp: bench.value.state.stamp }
      : null,
  )
  const index = useIndex(bench)
  const names = useNames(
    computed(() => bench.value?.trip.trip),
    index.things,
  )
  return { bench, at, error: query.error, loading: query.isPending, names, ...useKitChanges(trip, kit), ...index }
}

function useIndex(bench: { value: Bench | undefined }) {
  // A click changes the kit but not the locker: what is made of the locker must stay the same object, or all of the
  // mat would be laid out anew.
  const gear = computed(() => bench.value?.gear)
  const things = computed(() => new Map<string, Thing>(gear.value?.map((doc) => [doc.thing.id, doc.thing])))
  return { things, ...useLoaded(computed(() => bench.value?.state.kit)) }
}
export function useLoaded(kit: ComputedRef<Kit | undefined>) {
  const entries = computed(() => {
    const found = new Map<string, Entry[]>()
    for (const entry of kit.value?.entries ?? []) found.set(entry.item, [...(found.get(entry.item) ?? []), entry])
    return found
  })
  const loaded = computed(
    () => new Map([...entries.value].map(([item, list]) => [item, list.reduce((n, e) => n + (e.count ?? 1), 0)])),
  )
  return { entries, loaded }
}

/** Names for ids, for the sentences. */
export function useNames(trip: ComputedRef<Trip | undefined>, things: ComputedRef<Map<string, Thing>>): ComputedRef<Names> {
  return computed(() => {
    const find = (list: readonly { id: string; name: string }[] | undefined) => {
      const names = new Map(list?.map((one) => [one.id, one.name]))
      return (id: string) => names.get(id) ?? id
    }
    return {
      thing: (id) => things.value.get(id)?.name ?? id,
      person: find(trip.value?.people),
      leg: find(trip.value?.legs),
      want: find(trip.value?.wants),
    }
  })
}

export function useKits(trip: Ref<string>) {
  const add = useMutation({
    mutationFn: (wish: { name: string; copyOf?: string; entries?: Entry[] }) =>
      ask(
        client.POST('/api/trips/{slug}/kits', {
          params: { path: { slug: toValue(trip) } },
          body: { name: wish.name, copy_of: wish.copyOf ?? null, entries: wish.entries ?? null },
        }),
      ),
    onSuccess: () => changed('kits', { trip: toValue(trip) }),
  })
  const rename = useMutation({
    mutationFn: (wish: { kit: string; version: number; name: string; note: string }) =>
      ask(
        client.PUT('/api/trips/{slug}/kits/{kit}', {
          params: { path: { slug: toValue(trip), kit: wish.kit } },
          body: { version: wish.version, name: wish.name, note: wish.note },
        }),
      ),
    // Also when somebody was quicker: then what they wrote is to be seen.
    onSettled: () => changed('kits', { trip: toValue(trip) }),
  })
  const remove = useMutation({
    mutationFn: (kit: string) =>
      ask(client.DELETE('/api/trips/{slug}/kits/{kit}', { params: { path: { slug: toValue(trip), kit } } })),
    onSuccess: () => changed('kits', { trip: toValue(trip) }),
  })
  return { add, rename, remove }
}
