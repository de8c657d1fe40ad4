/** Packs, cards and copies day by day, and what to do about them; with settings that are tried, which are not stored. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { staminaAdviceQuery, staminaQuery } from '@/api/queries/stamina'
import type { PowerAdvice, Stamina } from '@/api/types'
import type { Told } from './useAdvice'

export function useStamina(at: MaybeRefOrGetter<Stamped | null>, stamina: MaybeRefOrGetter<Stamina | undefined>) {
  const report = useQuery(computed(() => staminaQuery(toValue(at), toValue(stamina))))
  const advice = useQuery(computed(() => staminaAdviceQuery(toValue(at), toValue(stamina))))
  const told = computed<Told<PowerAdvice>>(() => ({ advice: advice.data.value, stands: advice.data.value !== undefined && !advice.isPlaceholderData.value, failed: advice.isError.value }))
  return { report: report.data, error: report.error, told }
}
