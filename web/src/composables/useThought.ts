/** What edits, or another filling, would make of a kit. Nothing of it is stored. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { thoughtQuery, type Wish } from '@/api/queries/bench'

export function useThought(at: MaybeRefOrGetter<Stamped | null>, wish: MaybeRefOrGetter<Wish | null>) {
  const query = useQuery(computed(() => thoughtQuery(toValue(at), toValue(wish))))
  return { thought: computed(() => (toValue(wish) === null ? undefined : query.data.value)), error: query.error, stands: computed(() => !query.isPlaceholderData.value) }
}
