/** Packs, cards and copies of the open kit, with the settings on the screen. */
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import type { Stamina } from '@/api/types'

interface Wish {
  trip: string
  kit: string
  /** Changes whenever the stored kit or trip does. */
  stored: string
  stamina: Stamina
}

export function useStamina(wish: MaybeRefOrGetter<Wish | null>) {
  const key = (what: string) => computed(() => [what, JSON.stringify(toValue(wish))])
  const sent = () => {
    const { trip, kit, stamina } = toValue(wish)!
    return { params: { path: { slug: trip, kit } }, body: { stamina } }
  }
  const common = { enabled: computed(() => toValue(wish) !== null), placeholderData: keepPreviousData, structuralSharing: false, shallow: true, gcTime: 60_000 } as const
  const report = useQuery({
    queryKey: key('stamina'),
    queryFn: () => ask(client.POST('/api/trips/{slug}/kits/{kit}/stamina', sent())),
    ...common,
  })
  const advice = useQuery({
    queryKey: key('stamina-advice'),
    queryFn: () => ask(client.POST('/api/trips/{slug}/kits/{kit}/stamina/advice', sent())),
    ...common,
  })
  return { report: report.data, error: report.error, advice: advice.data }
}
