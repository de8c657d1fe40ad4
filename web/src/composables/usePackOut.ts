/** The list of a kit, the scale, and the edits of things that the list asks for. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { queries } from '@/api/queries'
import type { PackOut } from '@/api/types'

export function usePackOut(at: MaybeRefOrGetter<{ trip: string; kit: string; version: number } | null>) {
  const query = useQuery({
    queryKey: computed(() => ['packout', toValue(at)]),
    queryFn: () => {
      const { trip, kit } = toValue(at)!
      return ask(client.GET('/api/field/{slug}/kits/{kit}/list', { params: { path: { slug: trip, kit } } })) as unknown as Promise<PackOut>
    },
    enabled: computed(() => toValue(at) !== null),
    placeholderData: (before) => before,
    networkMode: 'always',
    staleTime: Infinity,
  })
  const scale = useMutation({ mutationFn: () => ask(client.GET('/api/field/scale')) })
  function again(): void {
    void queries.invalidateQueries({ queryKey: ['packout'] })
  }
  return { list: query.data, problem: query.error, scale, again }
}
