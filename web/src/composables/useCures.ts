/** What the rules say of what is on the table, or of a thought, with ways out: each finding as soon as it is known. */
import { useQuery } from '@tanstack/vue-query'
import { computed, shallowRef, toValue, watchEffect, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { curesQuery, type Wish } from '@/api/queries/bench'
import type { CuresFound } from '@/api/queries/cures'
import type { ToldCures } from '@/wording/advice'

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
