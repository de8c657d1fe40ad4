/** One kit on the table: everything the trip screens show, and the verbs that change it. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef, type MaybeRefOrGetter, toValue } from 'vue'
import { ask, client } from '@/api/client'
import { Problem } from '@/api/problem'
import { queries } from '@/api/queries'
import type { Bench, Edit, Entry, Kit, KitState, Thing, Trip } from '@/api/types'
import { notify } from './useNotice'

type Ref<T> = MaybeRefOrGetter<T>

function benchKey(trip: string, kit: string) {
  return ['bench', trip, kit]
}

function fetchBench(slug: string, kit: string): Promise<Bench> {
  return ask(client.GET('/api/trips/{slug}/kits/{kit}', { params: { path: { slug, kit } } }))
}

/** A kit that was changed elsewhere is shown as it is now; what was asked for is not done. */
async function explain(error: Error, slug: string, kit: string): Promise<void> {
  if (error instanceof Problem && error.stale) {
    await queries.invalidateQueries({ queryKey: benchKey(slug, kit) })
    notify('This kit was changed in another window. You now see it as it is there; do your change again.')
    return
  }
  notify(error)
}

export function useBench(trip: Ref<string>, kit: Ref<string>) {
  const path = () => ({ slug: toValue(trip), kit: toValue(kit) })
  const query = useQuery({
    queryKey: computed(() => benchKey(path().slug, path().kit)),
    queryFn: () => fetchBench(path().slug, path().kit),
    // Answers replace each other whole; comparing or proxying a locker of hundreds on every click is time lost.
    structuralSharing: false,
    shallow: true,
    placeholderData: (before: Bench | undefined) => (before?.trip.trip.id === toValue(trip) ? before : undefined),
  })
  const bench = query.data
  const keep = (state: KitState): void => {
    queries.setQueryData<Bench>(benchKey(path().slug, path().kit), (old) => old && { ...old, state })
  }
  /** What the server last said of this very kit: the screen may still show the one before. */
  async function sent(): Promise<{ path: ReturnType<typeof path>; version: number }> {
    const { slug, kit: open } = path()
    const queryKey = benchKey(slug, open)
    const { state } = await queries.ensureQueryData({ queryKey, queryFn: () => fetchBench(slug, open) })
    // A read that is under way would bring back what was there before the change.
    await queries.cancelQueries({ queryKey })
    return { path: { slug, kit: open }, version: state.version }
  }
  const changing = {
    onSuccess: keep,
    onError: (error: Error) => explain(error, path().slug, path().kit),
    // One after the other, so that each sees the version the one before made.
    scope: { id: 'kit' },
  }
  const edit = useMutation({
    mutationFn: async (edits: Edit[]) => {
      const { path: at, version } = await sent()
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/edits', { params: { path: at }, body: { version, edits } }))
    },
    ...changing,
  })
  const undo = useMutation({
    mutationFn: async () => {
      const { path: at, version } = await sent()
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/undo', { params: { path: at }, body: { version } }))
    },
    ...changing,
  })
  const redo = useMutation({
    mutationFn: async () => {
      const { path: at, version } = await sent()
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/redo', { params: { path: at }, body: { version } }))
    },
    ...changing,
  })
  const index = useIndex(bench)
  const names = useNames(
    computed(() => bench.value?.trip.trip),
    index.things,
  )
  return { bench, error: query.error, loading: query.isPending, edit, undo, redo, names, ...index }
}

/** Look-ups by id over the bench. */
function useIndex(bench: { value: Bench | undefined }) {
  // A click changes the kit but not the locker: what is made of the locker must stay the same object, or all of the
  // mat would be laid out anew.
  const gear = computed(() => bench.value?.gear)
  const things = computed(() => new Map<string, Thing>(gear.value?.map((doc) => [doc.thing.id, doc.thing])))
  return { things, ...useLoaded(computed(() => bench.value?.state.kit)) }
}

/** Entries and pieces by item of a kit: the one on the table, or one that is thought of. */
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

export interface Names {
  thing: (id: string) => string
  person: (id: string) => string
  leg: (id: string) => string
  want: (id: string) => string
}

/** Names for ids, for the sentences. */
function useNames(trip: ComputedRef<Trip | undefined>, things: ComputedRef<Map<string, Thing>>): ComputedRef<Names> {
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
  const refresh = async (): Promise<void> => {
    await queries.invalidateQueries({ queryKey: ['bench', toValue(trip)] })
    await queries.invalidateQueries({ queryKey: ['trips'] })
  }
  const add = useMutation({
    mutationFn: (wish: { name: string; copyOf?: string; entries?: Entry[] }) =>
      ask(
        client.POST('/api/trips/{slug}/kits', {
          params: { path: { slug: toValue(trip) } },
          body: { name: wish.name, copy_of: wish.copyOf ?? null, entries: wish.entries ?? null },
        }),
      ),
    onSuccess: refresh,
  })
  const rename = useMutation({
    mutationFn: (wish: { kit: string; name: string; note: string }) =>
      ask(
        client.PUT('/api/trips/{slug}/kits/{kit}', {
          params: { path: { slug: toValue(trip), kit: wish.kit } },
          body: { name: wish.name, note: wish.note },
        }),
      ),
    onSuccess: refresh,
  })
  const remove = useMutation({
    mutationFn: (kit: string) =>
      ask(client.DELETE('/api/trips/{slug}/kits/{kit}', { params: { path: { slug: toValue(trip), kit } } })),
    onSuccess: refresh,
  })
  return { add, rename, remove }
}
