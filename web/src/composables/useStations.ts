/** How far Pack-out, Trail and Look back are: that hangs on what was noted, not on the plan alone. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { queries } from '@/api/queries'

interface At {
  trip: string
  kit: string
  version: number
  tripVersion: number
}

export function useStations(at: MaybeRefOrGetter<At>) {
  const query = useQuery({
    queryKey: computed(() => {
      const { trip, kit, version, tripVersion } = toValue(at)
      return ['stations', trip, kit, version, tripVersion]
    }),
    queryFn: () => ask(client.GET('/api/field/{slug}/kits/{kit}/stations', { params: { path: { slug: toValue(at).trip, kit: toValue(at).kit } } })),
    // Of another trip they would say what is not so.
    placeholderData: (before, query) => (query?.queryKey[1] === toValue(at).trip ? before : undefined),
  })
  return query.data
}
/** After something was noted or read. */
export function lookAgain(trip: string): void {
  void queries.invalidateQueries({ queryKey: ['stations', trip] })
}
