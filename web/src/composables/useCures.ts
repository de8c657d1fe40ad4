/** What the rules say of what is on the table, or of a thought, with ways out: each finding as soon as it is known. */
import { useQuery } from '@tanstack/vue-query'
import { computed, shallowRef, toValue, watchEffect, type MaybeRefOrGetter } from 'vue'
import { curesQuery, type CuresFound, type Stamped, type Wish } from '@/api/queries'
import type { Finding } from '@/api/types'

/** found: of what is shown now, as far as they have come. before: all of the kit before the last click. whole: whether no more will come. failed: they do not come. */
export interface ToldCures {
  found: readonly Finding[]
  before: readonly Finding[]
  whole: boolean
  failed?: boolean
}

export function useCures(at: MaybeRefOrGetter<Stamped | null>, wish: MaybeRefOrGetter<Wish | null> = null) {
  // Asked at once: while they are looked for, the facts are painted.
  const query = useQuery(computed(() => curesQuery(toValue(at), toValue(wish))))
  const last = shallowRef<CuresFound>()
  watchEffect(() => {
    if (query.data.value?.whole) last.value = query.data.value
  })
  return computed<ToldCures>(() => {
    const told = query.isPlaceholderData.value ? undefined : query.data.value
    const kept = query.data.value ? last.value : undefined
    return { found: told?.findings ?? [], before: told?.whole ? told.findings : (kept?.findings ?? []), whole: told?.whole ?? false, failed: query.isError.value }
  })
}
