/** A loadout as it is carried: what it weighs on whom, what moves, what stays. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { outingQuery } from '@/api/queries/days'

export function useOuting(at: MaybeRefOrGetter<Stamped | null>, loadout: MaybeRefOrGetter<string>) {
  return { outing: useQuery(computed(() => outingQuery(toValue(at), toValue(loadout)))).data }
}
