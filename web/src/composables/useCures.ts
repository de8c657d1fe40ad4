/** What the rules say of what is on the table, or of a thought, with ways out: each finding as soon as it is known. */
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, shallowRef, toValue, watchEffect, type MaybeRefOrGetter } from 'vue'
import { curesQuery, type CuresFound, type Stamped, type Wish } from '@/api/queries'
import type { Finding } from '@/api/types'

/** The facts are painted first. */
const FRAME_MS = 16

/** found: of what is shown now, as far as they have come. before: all of the kit before the last click. whole: whether no more will come. failed: they do not come. */
export interface ToldCures {
  found: readonly Finding[]
  before: readonly Finding[]
  whole: boolean
  failed?: boolean
}

export function useCures(at: MaybeRefOrGetter<Stamped | null>, wish: MaybeRefOrGetter<Wish | null> = null) {
  const now = computed(() => JSON.stringify([toValue(at), toValue(wish)]))
  const settled = refDebounced(now, FRAME_MS)
  const query = useQuery(
    computed(() => {
      const [stamped, thought] = JSON.parse(settled.value) as [Stamped | null, Wish | null]
      return curesQuery(stamped, thought)
    }),
  )
  const last = shallowRef<CuresFound>()
  watchEffect(() => {
    if (query.data.value?.whole) last.value = query.data.value
  })
  return computed<ToldCures>(() => {
    const told = query.isPlaceholderData.value || settled.value !== now.value ? undefined : query.data.value
    const kept = query.data.value ? last.value : undefined
    return { found: told?.findings ?? [], before: told?.whole ? told.findings : (kept?.findings ?? []), whole: told?.whole ?? false, failed: query.isError.value }
  })
}
