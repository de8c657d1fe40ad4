/** Which bags could carry a kit, as they are found; and who carries what. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { movesQuery, sparesQuery, splitQuery } from '@/api/queries/bags'
import type { BagSet, BagSetLine, Edit } from '@/api/types'
import { useStreamed } from './useStreamed'

/** Sets that no other beats; what was found stays until it is looked for anew. */
export function useBagSets(at: () => Stamped | null) {
  const sets = shallowRef<BagSet[]>([])
  const [tried, of, ahead] = [ref(0), ref(0), ref(0)]
  const { problem, running, run, stop } = useStreamed<BagSetLine>()

  async function start(): Promise<void> {
    const kit = at()
    if (!kit) return
    sets.value = []
    tried.value = of.value = 0
    await run(`/api/trips/${kit.trip}/kits/${kit.kit}/bags`, {}, (line) => {
      ahead.value = line.ahead ?? 0
      const news = line.found
      if (!news) return
      tried.value = news.tried
      of.value = news.of
      if (news.bag_set) sets.value = [...sets.value.filter((s) => !news.beaten.includes(s.key)), news.bag_set]
    })
  }
  return { sets, tried, of, ahead, problem, running, start, stop }
}

/** Which one thing more covers most. */
export function useSpares(at: MaybeRefOrGetter<Stamped | null>) {
  const query = useQuery(computed(() => sparesQuery(toValue(at))))
  return { spares: query.data, looking: query.isPending }
}

/** The proposed sharing, and what those of its moves come to that are taken. */
export function useSplit(at: MaybeRefOrGetter<Stamped | null>, taken: () => Edit[]) {
  const split = useQuery(computed(() => splitQuery(toValue(at))))
  const moves = useQuery(computed(() => movesQuery(toValue(at), taken())))
  return { split: split.data, splitting: split.isPending, failed: split.isError, shared: moves.data }
}
