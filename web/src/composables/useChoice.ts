/** The trade curve as it is found: points come in one by one, and the search can be stopped. */
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { asProblem, type Problem } from '@/api/problem'
import { stream } from '@/api/stream'
import type { Asking, Choice, ChoiceLine, Kept, Point } from '@/api/types'


export function useChoice(trip: () => string, kit: () => string) {
  // Points in the order in which they came, and those of them that stand.
  let told: Point[] = []
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
    told = []
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
    if (line.point) told.push(line.point)
    if (line.standing) found.value = line.standing.map((number) => told[number]!)
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
