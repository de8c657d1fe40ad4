/** The cutting plan of a hard case, and the same things in other cases. */
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { ask, client } from '@/api/client'
import type { FoamWish } from '@/api/types'

interface Asked {
  slug: string
  kit: string
  bag: string
  version: number
}

export function useFoam(asked: MaybeRefOrGetter<Asked>, wish: MaybeRefOrGetter<FoamWish>) {
  const sent = () => {
    const { slug, kit, bag } = toValue(asked)
    return { params: { path: { slug, kit, bag }, query: toValue(wish) } }
  }
  const key = (what: string) => computed(() => [what, toValue(asked), toValue(wish)])
  const foam = useQuery({
    queryKey: key('foam'),
    queryFn: () => ask(client.GET('/api/exchange/foam/{slug}/{kit}/{bag}', sent())),
    placeholderData: keepPreviousData,
  })
  const cases = useQuery({
    queryKey: key('foam-cases'),
    queryFn: () => ask(client.GET('/api/exchange/foam/{slug}/{kit}/{bag}/cases', sent())),
    placeholderData: keepPreviousData,
  })
  const file = (form: 'svg' | 'dxf' | 'a4'): string => {
    const { slug, kit, bag } = toValue(asked)
    const query = new URLSearchParams(Object.entries(toValue(wish)).map(([name, value]) => [name, String(value)]))
    return `/api/exchange/foam/${slug}/${kit}/${bag}/file/${form}?${query}`
  }
  return { foam: foam.data, error: foam.error, cases: cases.data, file }
}
