/** A loadout as it is carried: what it weighs on whom, what moves, what stays. */
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { ask, client } from '@/api/client'

interface Asked {
  slug: string
  kit: string
  loadout: string
  version: number
}

export function useOuting(asked: MaybeRefOrGetter<Asked | null>) {
  const query = useQuery({
    queryKey: computed(() => ['outing', toValue(asked)]),
    queryFn: () => {
      const { slug, kit, loadout } = toValue(asked)!
      return ask(client.GET('/api/trips/{slug}/kits/{kit}/loadouts/{loadout}', { params: { path: { slug, kit, loadout } } }))
    },
    enabled: computed(() => toValue(asked) !== null),
    placeholderData: keepPreviousData,
  })
  return { outing: query.data }
}
