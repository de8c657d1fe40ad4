/** The trade curve as it is found: points come in one by one, and the search can be stopped. */
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { asProblem, type Problem } from '@/api/problem'
import { stream } from '@/api/stream'
import type { Asking, Choice, ChoiceLine, Kept, Point } from '@/api/types'

/** Points and grams nearer than this are the same. */
const SAME = 0.001
const SAME_G = 0.05
/** Whether another point is no heavier and no worse, and better in one of these, or proved. */
function outdone(one: Point, other: Point): boolean {
  const noWorse = other.carried_g <= one.carried_g + SAME_G && other.score >= one.score - SAME
  const better = other.carried_g < one.carried_g - SAME_G || other.score > one.score + SAME
  return noWorse && other.steady >= one.steady - SAME && (better || (other.proved && !one.proved))
}
/** Points from light to complete without what is outdone by now; a first answer by greed only until others stand. */
export function standing(points: readonly Point[]): Point[] {
  const searched = points.filter((one) => !one.provisional)
  const kept = (searched.length ? searched : points).filter((one) => !points.some((other) => other !== one && outdone(one, other)))
  return kept.sort((a, b) => a.carried_g - b.carried_g)
}

export function useChoice(trip: () => string, kit: () => string) {
  const found = shallowRef<Point[]>([])
  const choice = shallowRef<Choice | null>(null)
  const kept = shallowRef<Kept[]>([])
  const problem = ref<Problem | null>(null)
  const running = ref(false)
  const wanted = ref(0)
  // How many searches come before this one, while it waits; whether a newer one took its place.
  const ahead = ref(0)
  const replaced = ref(false)
  let hangUp = new AbortController()

  async function start(asking: Partial<Asking>): Promise<void> {
    hangUp.abort()
    const mine = (hangUp = new AbortController())
    found.value = []
    choice.value = null
    problem.value = null
    running.value = true
    ahead.value = 0
    replaced.value = false
    wanted.value = asking.points ?? 20
    try {
      await stream<ChoiceLine>(`/api/trips/${trip()}/kits/${kit()}/choose`, asking, take, mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) problem.value = asProblem(error)
    } finally {
      if (mine === hangUp) running.value = false
    }
  }
  function take(line: ChoiceLine): void {
    ahead.value = line.ahead ?? 0
    replaced.value = line.replaced ?? false
    if (line.kept) kept.value = line.kept
    if (line.point) found.value = standing([...found.value, line.point])
    if (line.choice) choice.value = line.choice
  }
  /** Ends the search; what was found stays. */
  function stop(): void {
    hangUp.abort()
    running.value = false
  }
  onBeforeUnmount(stop)
  const points = computed(() => choice.value?.points ?? found.value)
  return { points, choice, kept, problem, running, wanted, ahead, replaced, start, stop }
}
