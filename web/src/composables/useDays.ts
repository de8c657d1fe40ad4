/** The trip by its days: what goes out on each, what is amiss with a day's bag, and ways to go out. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { baseQuery, dayAdviceQuery, dayCuresQuery, daysQuery } from '@/api/queries/days'
import type { OutingAsked, OutingLine, ProposedOuting } from '@/api/types'
import type { Told } from './useAdvice'
import type { ToldCures } from '@/wording/advice'
import { useStreamed } from './useStreamed'

export function useDays(at: MaybeRefOrGetter<Stamped | null>, on: MaybeRefOrGetter<string>, basedOn: MaybeRefOrGetter<string> = '') {
  const byDays = useQuery(computed(() => daysQuery(toValue(at))))
  const query = useQuery(computed(() => dayCuresQuery(toValue(at), toValue(on))))
  const cures = computed<ToldCures>(() => ({ found: query.data.value?.findings ?? [], before: [], whole: query.data.value?.whole ?? false, failed: query.isError.value }))
  const base = useQuery(computed(() => baseQuery(toValue(at), toValue(basedOn))))
  return { byDays: byDays.data, error: byDays.error, cures, base: base.data }
}

/** What each thing in a day's bag earns then, and what goes first; asked for only where it is looked at. */
export function useDayAdvice(at: MaybeRefOrGetter<Stamped | null>, on: MaybeRefOrGetter<string>) {
  const query = useQuery(computed(() => dayAdviceQuery(toValue(at), toValue(on))))
  return computed<Told>(() => ({ advice: query.data.value, stands: query.data.value !== undefined && !query.isPlaceholderData.value, failed: query.isError.value }))
}

/** Ways to go out on some days, as they are found; what was found stays until other days are asked for. */
export function useProposals(at: () => Stamped | null, shares = false) {
  const found = shallowRef<ProposedOuting[]>([])
  const asked = ref<OutingAsked | null>(null)
  const whole = ref(false)
  const { problem, running, run, stop } = useStreamed<OutingLine>()

  async function start(wish: OutingAsked): Promise<void> {
    const kit = at()
    if (!kit) return
    forget()
    asked.value = wish
    await run(`/api/trips/${kit.trip}/kits/${kit.kit}/propose${shares ? '?shares=true' : ''}`, wish, (line) => {
      if (line.proposal) found.value = [...found.value, line.proposal]
      whole.value ||= line.whole ?? false
    })
  }
  function forget(): void {
    stop()
    found.value = []
    asked.value = null
    whole.value = false
  }
  return { found, asked, problem, running, whole, start, stop, forget }
}
