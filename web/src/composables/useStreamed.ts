/** A search that answers line by line: one at a time, the newest; it ends when nobody looks any more. */
import { onBeforeUnmount, ref } from 'vue'
import { asProblem, type Problem } from '@/api/problem'
import { stream } from '@/api/stream'

export function useStreamed<Line>() {
  const problem = ref<Problem | null>(null)
  const running = ref(false)
  let hangUp = new AbortController()

  async function run(path: string, asked: object, take: (line: Line) => void): Promise<void> {
    hangUp.abort()
    const mine = (hangUp = new AbortController())
    problem.value = null
    running.value = true
    try {
      await stream<Line>(path, asked, take, mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) problem.value = asProblem(error)
    } finally {
      if (mine === hangUp) running.value = false
    }
  }
  function stop(): void {
    hangUp.abort()
    running.value = false
  }
  onBeforeUnmount(stop)
  return { problem, running, run, stop }
}
