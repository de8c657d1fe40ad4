/** Where everything of a kit lies: comes bag by bag, again whenever the kit or anything it hangs on changes. */
import { onBeforeUnmount, ref, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { asProblem, type Problem } from '@/api/problem'
import type { Stamped } from '@/api/asking'
import { KEY, queries } from '@/api/cache'
import type { Packed } from '@/api/queries/bench'
import { stream } from '@/api/stream'
import type { PackingTime, Stowage, StowLine } from '@/api/types'

/** Seconds for a packing that did not come to its end. */
const LONG_S = 60

const pieces = (of: Stowage | null): number => (of?.left ?? []).reduce((sum, over) => sum + over.count, 0)

export function useStowage(at: MaybeRefOrGetter<Stamped | null>, loadout: () => string = () => '') {
  const stowage = shallowRef<Stowage | null>(null)
  const problem = ref<Problem | null>(null)
  const running = ref(false)
  // While it waits for its turn, how many come before; once all is packed, whether more time is tried, and what came of it.
  const ahead = ref(0)
  const trying = ref(false)
  const better = ref(0)
  let hangUp = new AbortController()
  let shown = ''

  async function start(kit: Stamped, what: string, asking: Partial<PackingTime> = {}, onceMore = false): Promise<void> {
    hangUp.abort()
    const mine = (hangUp = new AbortController())
    problem.value = null
    running.value = true
    ahead.value = better.value = 0
    trying.value = false
    const name = `${kit.trip} ${kit.kit} ${what}`
    const take = (line: StowLine): void => {
      ahead.value = line.ahead ?? 0
      outdone ||= line.replaced ?? false
      if (!line.stowage) return
      // What was packed before stays in sight until all is packed anew; a first packing shows itself bag by bag.
      if (line.final || stowage.value === null || shown !== name) stowage.value = line.stowage
      if (!line.final) return
      if (trying.value) better.value = pieces(before) - pieces(line.stowage)
      before = line.stowage
      running.value = false
      trying.value = line.stowage.left.some((over) => over.proof === 'ran-out')
      shown = name
      // What the trail says of this station, as long as the kit stays as it was packed.
      if (!what) queries.setQueryData<Packed>(KEY.packed(kit.trip, kit.kit), { stamp: kit.stamp, left: line.stowage.left.length })
    }
    let before: Stowage | null = null
    // A request of the page before may arrive after this one and take its place: then it is asked once more.
    let outdone = false
    try {
      await stream<StowLine>(`/api/trips/${kit.trip}/kits/${kit.kit}/stowage?loadout=${what}`, asking, take, mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) problem.value = asProblem(error)
    } finally {
      if (mine === hangUp) running.value = trying.value = false
    }
    if (outdone && !onceMore && mine === hangUp && !mine.signal.aborted) await start(kit, what, asking, true)
  }
  watch(
    () => [toValue(at), loadout()] as const,
    ([kit, what], before) => {
      const same = before?.[0] && kit && kit.trip === before[0].trip && kit.kit === before[0].kit && kit.stamp === before[0].stamp && what === before[1]
      if (kit && !same) void start(kit, what)
    },
    { immediate: true },
  )
  /** The same once more, with the time that a hard bag takes. */
  function again(): void {
    const kit = toValue(at)
    if (kit) void start(kit, loadout(), { seconds: LONG_S })
  }
  /** The dividers of a space, to print or to cut from. */
  const paper = (room: string, form: 'svg' | 'a4' | 'a3'): string => {
    const kit = toValue(at)
    return `/api/exchange/dividers/${kit?.trip}/${kit?.kit}/file/${form}?${new URLSearchParams({ room, loadout: loadout() })}`
  }
  /** The same with every place open. */
  function anew(): void {
    const kit = toValue(at)
    if (kit) void start(kit, loadout(), { anew: true })
  }
  /** The same, and what is ticked as packed may be moved where it must. */
  function disturb(): void {
    const kit = toValue(at)
    if (kit) void start(kit, loadout(), { disturb: true })
  }
  onBeforeUnmount(() => hangUp.abort())
  return { stowage, problem, running, ahead, trying, better, again, anew, disturb, paper }
}
