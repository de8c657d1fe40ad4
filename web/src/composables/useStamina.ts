/** Packs, cards and copies day by day, and what to do about them; with settings that are tried, which are not stored. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { staminaAdviceQuery, staminaQuery, type Stamped } from '@/api/queries'
import type { Stamina } from '@/api/types'

export function useStamina(at: MaybeRefOrGetter<Stamped | null>, stamina: MaybeRefOrGetter<Stamina | undefined>) {
  const report = useQuery(computed(() => staminaQuery(toValue(at), toValue(stamina))))
  const advice = useQuery(computed(() => staminaAdviceQuery(toValue(at), toValue(stamina))))
  return { report: report.data, error: report.error, advice: advice.data, stands: computed(() => !advice.isPlaceholderData.value) }
}
