/** Two to four kits side by side. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'

export function useCompare(trip: MaybeRefOrGetter<string>, kits: MaybeRefOrGetter<readonly string[]>) {
  const query = useQuery({
    queryKey: computed(() => ['bench', toValue(trip), 'compare', toValue(kits).join()]),
    queryFn: () => ask(client.GET('/api/trips/{slug}/compare', { params: { path: { slug: toValue(trip) }, query: { kits: toValue(kits).join() } } })),
    enabled: computed(() => toValue(kits).length >= 2),
    placeholderData: (before) => before,
    // A click on the bench changes what is compared.
    staleTime: 0,
  })
  return { comparison: query.data, error: query.error }
}
