/** Kits side by side. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { compareQuery } from '@/api/queries/trips'

export function useCompare(trip: MaybeRefOrGetter<string>, kits: MaybeRefOrGetter<readonly string[]>) {
  const query = useQuery(computed(() => compareQuery(toValue(trip), toValue(kits))))
  return { comparison: query.data, error: query.error }
}
