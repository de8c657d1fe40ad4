/** The pack-out list, kept for when there is no network; and the luggage scale. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import type { Stamped } from '@/api/asking'
import { packOutQuery, shoppingQuery } from '@/api/queries/field'

export function usePackOut(at: MaybeRefOrGetter<Stamped | null>) {
  const query = useQuery(computed(() => packOutQuery(toValue(at))))
  const wanted = useQuery(computed(() => shoppingQuery(toValue(at))))
  const scale = useMutation({ mutationFn: () => ask(client.GET('/api/field/scale')) })
  return { list: query.data, problem: query.error, wanted: wanted.data, scale }
}
