/** Carriers, generic patterns, and the verbs that change carriers. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { changed } from '@/api/cache'
import { carrierPatternsQuery, carriersQuery, usualRestrictionsQuery } from '@/api/queries/library'
import { carriersOfQuery } from '@/api/queries/trips'
import type { Carrier } from '@/api/types'
import { along } from './useAlong'

const refresh = () => changed('carriers')

export function useCarriers() {
  const query = useQuery(carriersQuery)
  const patterns = useQuery(carrierPatternsQuery)
  const usual = useQuery(usualRestrictionsQuery)
  const add = useMutation({
    mutationFn: (carrier: Carrier) => ask(client.POST('/api/carriers', { body: { carrier } })),
    onSuccess: refresh,
  })
  const save = useMutation({
    mutationFn: (doc: { version: number; carrier: Carrier }) =>
      ask(client.PUT('/api/carriers/{slug}', { params: { path: { slug: doc.carrier.id } }, body: doc })),
    onSuccess: refresh,
  })
  const remove = useMutation({
    mutationFn: (slug: string) => ask(client.DELETE('/api/carriers/{slug}', { params: { path: { slug } } })),
    onSuccess: refresh,
  })
  return { carriers: query.data, loading: query.isPending, patterns: patterns.data, usual: usual.data, add, save, remove }
}

/** The carriers to choose from on a trip: one's own, or on a trip of another those that it has. */
export function useCarriersFor(trip: MaybeRefOrGetter<string>) {
  const theirs = computed(() => along.value?.trip === toValue(trip))
  const own = useQuery(computed(() => ({ ...carriersQuery, enabled: !theirs.value })))
  const those = useQuery(computed(() => ({ ...carriersOfQuery(toValue(trip)), enabled: theirs.value })))
  return { carriers: computed(() => (theirs.value ? those.data.value : own.data.value)), theirs }
}
