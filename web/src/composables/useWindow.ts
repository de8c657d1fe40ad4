/** The small bench of the welcome page: a few things that anybody may load and leave; nothing is kept. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { windowQuery } from '@/api/queries/account'
import type { Thing } from '@/api/types'
import { useNames } from './useBench'

export function useWindow() {
  /** What is loaded; null as it is laid out at first. */
  const wanted = ref<string[] | null>(null)
  const query = useQuery(computed(() => windowQuery(wanted.value)))
  const bench = query.data
  const trip = computed(() => bench.value?.trip)
  const things = computed(() => new Map<string, Thing>((bench.value?.gear ?? []).map((thing) => [thing.id, thing])))
  const holders = computed(() => new Set([...things.value.values()].filter((t) => t.kind === 'bag' || t.kind === 'insert').map((t) => t.id)))
  const loaded = computed(() => new Set((bench.value?.kit.entries ?? []).map((e) => e.item).filter((id) => !holders.value.has(id))))
  /** What lies on the mat: not what the rest is packed into. */
  const shown = computed(() => [...things.value.values()].filter((t) => !holders.value.has(t.id)))
  function toggle(id: string): void {
    const next = new Set(wanted.value ?? loaded.value)
    if (!next.delete(id)) next.add(id)
    wanted.value = [...next].sort()
  }
  return { bench, trip, shown, loaded, names: useNames(trip, things), toggle }
}
