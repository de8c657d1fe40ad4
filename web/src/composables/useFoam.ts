/** Foam for a hard case: its layers, the cases compared, and files to cut from. */
import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Stamped } from '@/api/asking'
import { foamCasesQuery, foamQuery } from '@/api/queries/stow'
import type { FoamWish } from '@/api/types'

export function useFoam(at: MaybeRefOrGetter<Stamped>, bag: MaybeRefOrGetter<string>, wish: MaybeRefOrGetter<FoamWish>) {
  const foam = useQuery(computed(() => foamQuery(toValue(at), toValue(bag), toValue(wish))))
  const cases = useQuery(computed(() => foamCasesQuery(toValue(at), toValue(bag), toValue(wish))))
  const file = (form: 'svg' | 'dxf' | 'a4'): string => {
    const { trip, kit } = toValue(at)
    const query = new URLSearchParams(Object.entries(toValue(wish)).map(([name, value]) => [name, String(value)]))
    return `/api/exchange/foam/${trip}/${kit}/${toValue(bag)}/file/${form}?${query}`
  }
  return { foam: foam.data, error: foam.error, cases: cases.data, file }
}
