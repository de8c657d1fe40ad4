/** A loadout as it is carried: what it weighs on whom, what moves, what stays. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { outingQuery, type Stamped } from '@/api/queries'

export function useOuting(at: MaybeRefOrGetter<Stamped | null>, loadout: MaybeRefOrGetter<string>) {
  return { outing: useQuery(computed(() => outingQuery(toValue(at), toValue(loadout)))).data }
}
