/** What a kit would be with other things in it: asked of the server, stored nowhere. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import type { Edit, Entry } from '@/api/types'

interface Wish {
  entries?: Entry[]
  edits?: Edit[]
}

/** The thought over `wish`; none while it is null. Equal wishes are asked once. */
export function useThought(trip: MaybeRefOrGetter<string>, kit: MaybeRefOrGetter<string>, wish: MaybeRefOrGetter<Wish | null>) {
  const query = useQuery({
    queryKey: computed(() => ['thought', toValue(trip), toValue(kit), JSON.stringify(toValue(wish))]),
    queryFn: () =>
      ask(
        client.POST('/api/trips/{slug}/kits/{kit}/what-if', {
          params: { path: { slug: toValue(trip), kit: toValue(kit) } },
          body: { edits: [], ...toValue(wish) },
        }),
      ),
    enabled: computed(() => toValue(wish) !== null),
    placeholderData: (before) => before,
    structuralSharing: false,
    shallow: true,
    gcTime: 60_000,
  })
  return { thought: computed(() => (toValue(wish) === null ? undefined : query.data.value)), error: query.error }
}
