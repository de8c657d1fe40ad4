/** The first walk through the stations, with an account's first trip: on each what it is for, until all were seen. */
import { useQuery } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed, onBeforeUnmount } from 'vue'
import { useRoute } from 'vue-router'
import { tripsQuery } from '@/api/queries/trips'
import { STATIONS, type StationName } from '@/wording/stations'
import { useSession } from './useSession'

/** Stations after the trip are seen after it: the walk does not wait for them. */
const AHEAD = STATIONS.filter((s) => s.name !== 'trail' && s.name !== 'lookback')

export function useFirstWalk() {
  const { session } = useSession()
  const route = useRoute()
  // At once: it is written while its station goes.
  const walk = useLocalStorage<{ seen: StationName[]; over: boolean }>(() => `narrow-mule.walk ${session.value?.account ?? ''}`, { seen: [], over: false }, { flush: 'sync' })
  const trips = useQuery(computed(() => ({ ...tripsQuery, enabled: Boolean(session.value?.account) && !walk.value.over })))
  const first = computed(() => !walk.value.over && trips.data.value?.length === 1)
  const here = computed(() => AHEAD.find((s) => s.name === route.name))
  const left = computed(() => AHEAD.filter((s) => s.name !== here.value?.name && !walk.value.seen.includes(s.name)))
  const next = computed(() => left.value[0])
  function end(): void {
    walk.value = { ...walk.value, over: true }
  }
  // A station counts once one leaves it; after the last the walk is over by itself.
  const station = here.value?.name
  onBeforeUnmount(() => {
    if (!first.value || !station) return
    const seen = [...new Set([...walk.value.seen, station])]
    walk.value = { seen, over: AHEAD.every((s) => seen.includes(s.name)) }
  })
  return { first, here, next, left, end }
}
