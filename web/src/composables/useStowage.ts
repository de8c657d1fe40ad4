/** Where everything of a kit lies: comes bag by bag, again whenever the kit changes; and how it is to be packed. */
import { useMutation } from '@tanstack/vue-query'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { ask, client } from '@/api/client'
import { asProblem, type Problem } from '@/api/problem'
import { queries } from '@/api/queries'
import { stream } from '@/api/stream'
import type { Bench, Stow, Stowage, StowLine } from '@/api/types'
import { notify } from './useNotice'

/** What the last packing of a kit came to. */
export interface Packed {
  version: number
  left: number
}

export function useStowage(bench: { value: Bench | undefined }, loadout: () => string = () => '') {
  const stowage = shallowRef<Stowage | null>(null)
  const problem = ref<Problem | null>(null)
  const running = ref(false)
  let hangUp = new AbortController()

  async function start(trip: string, kit: string): Promise<void> {
    const what = loadout()
    hangUp.abort()
    const mine = (hangUp = new AbortController())
    problem.value = null
    running.value = true
    try {
      await stream<StowLine>(`/api/trips/${trip}/kits/${kit}/stowage?loadout=${what}`, {}, (line) => take(line, `${kit} ${what}`), mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) problem.value = asProblem(error)
    } finally {
      if (mine === hangUp) running.value = false
    }
  }
  let shown = ''
  function take(line: StowLine, what: string): void {
    // What was packed before stays in sight until all is packed anew; a first packing shows itself bag by bag.
    if (line.final || stowage.value === null || shown !== what) stowage.value = line.stowage
    if (line.final) shown = what
    // What the trail says of this station, until the kit changes.
    if (line.final && bench.value && !loadout()) queries.setQueryData<Packed>(['packed', bench.value.trip.trip.id, bench.value.state.kit.id], { version: bench.value.state.version, left: line.stowage.left.length })
  }
  watch(
    () => (bench.value ? [bench.value.trip.trip.id, bench.value.state.kit.id, bench.value.state.version, loadout()].join(' ') : ''),
    () => bench.value && void start(bench.value.trip.trip.id, bench.value.state.kit.id),
    { immediate: true },
  )
  onBeforeUnmount(() => hangUp.abort())

  const save = useMutation({
    mutationFn: (stow: Stow) => {
      const { trip, state } = bench.value!
      const path = { slug: trip.trip.id, kit: state.kit.id }
      return ask(client.PUT('/api/trips/{slug}/kits/{kit}/stow', { params: { path }, body: { version: state.version, stow } }))
    },
    scope: { id: 'kit' },
    onSuccess: (state) => queries.setQueryData<Bench>(['bench', bench.value!.trip.trip.id, state.kit.id], (old) => old && { ...old, state }),
    onError: notify,
  })
  return { stowage, problem, running, save }
}
