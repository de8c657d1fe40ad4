/** Filter helpers that the server reckons: the lightest set, and stops between two times. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { wantSetsQuery } from '@/api/queries/trips'

export function useLightestFilters(trip: MaybeRefOrGetter<string>, kit: MaybeRefOrGetter<string>) {
  return useMutation({
    mutationFn: () => ask(client.GET('/api/trips/{slug}/kits/{kit}/lightest-filters', { params: { path: { slug: toValue(trip), kit: toValue(kit) } } })),
  })
}

export function useExposure() {
  return useMutation({
    mutationFn: (times: { metered_s: number; wanted_s: number }) => ask(client.POST('/api/brief/exposure', { body: times })),
  })
}

export function useWantSets() {
  return useQuery(wantSetsQuery)
}
