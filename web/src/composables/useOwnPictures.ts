/** Wants from own pictures: reads a folder in the browser and asks what it says. */
import { useMutation } from '@tanstack/vue-query'
import { computed, ref, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { Past, Shot } from '@/api/types'
import { isPicture, shotOf } from '@/pictures/metadata'
import { notify } from './useNotice'

/** As many as the server looks at together. */
export const MOST_SHOTS = 20_000
const AT_ONCE = 8

export function useOwnPictures() {
  const shots = shallowRef<Shot[]>([])
  const done = ref(0)
  const total = ref(0)
  const silent = ref(0)
  const reading = ref(false)
  const past = shallowRef<Past | null>(null)
  let stopped = false

  const look = useMutation({
    mutationFn: (wish: { shots: Shot[]; taken: string[] }) => ask(client.POST('/api/brief/past', { body: wish })),
    onSuccess: (said) => (past.value = said as Past),
    onError: notify,
  })
  /** Reads pictures, the newest files first, until all are read or somebody stops it; what was read by then counts. */
  async function read(files: readonly File[], taken: string[]): Promise<void> {
    const all = files.filter((f) => isPicture(f.name)).sort((a, b) => b.lastModified - a.lastModified).slice(0, MOST_SHOTS)
    const found: Shot[] = []
    stopped = false
    past.value = null
    done.value = silent.value = 0
    total.value = all.length
    reading.value = true
    try {
      for (let from = 0; from < all.length && !stopped; from += AT_ONCE) {
        // A file that goes away meanwhile holds up no other.
        const read = await Promise.all(all.slice(from, from + AT_ONCE).map((file) => shotOf(file).catch(() => null)))
        for (const shot of read) if (shot) found.push(shot)
        done.value = Math.min(from + AT_ONCE, all.length)
        silent.value = done.value - found.length
      }
    } finally {
      reading.value = false
    }
    shots.value = found
    if (found.length) await look.mutateAsync({ shots: found, taken }).catch(() => undefined)
  }
  function stop(): void {
    stopped = true
  }
  /** The same pictures again: a thing answers to another name now. */
  function again(taken: string[]): void {
    if (shots.value.length) look.mutate({ shots: shots.value, taken })
  }
  /** Whether none of what was read tells anything. */
  const mute = computed(() => done.value > 0 && !reading.value && !shots.value.length)
  const busy = computed(() => reading.value || look.isPending.value)
  return { past, done, total, silent, reading, busy, read, stop, again, mute }
}
