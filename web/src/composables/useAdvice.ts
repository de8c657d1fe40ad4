/** The advice on what is on the table, or on a thought: asked for once the facts are here and nobody clicks on. */
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { adviceQuery, type Wish } from '@/api/queries/bench'
import type { Advice } from '@/api/types'

/** Who clicks on within this time would only wait for the answer to a question that is no longer asked. */
export const SETTLED_MS = 200

/** stands: whether the advice is about what is shown now; what is not stays in sight, marked, until the new one is here. failed: it does not come. */
export interface Told<T = Advice> {
  advice: T | undefined
  stands: boolean
  failed?: boolean
}

export function useAdvice(at: MaybeRefOrGetter<Stamped | null>, wish: MaybeRefOrGetter<Wish | null> = null) {
  const now = computed(() => JSON.stringify([toValue(at), toValue(wish)]))
  const settled = refDebounced(now, SETTLED_MS)
  const query = useQuery(
    computed(() => {
      const [stamped, thought] = JSON.parse(settled.value) as [Stamped | null, Wish | null]
      return adviceQuery(stamped, thought)
    }),
  )
  return computed<Told>(() => ({
    advice: query.data.value,
    stands: query.data.value !== undefined && !query.isPlaceholderData.value && settled.value === now.value,
    failed: query.isError.value,
  }))
}
