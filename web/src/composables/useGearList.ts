/** A written list of gear as it was understood, mended line by line; nothing is added here. */
import { computed, ref, watch } from 'vue'
import { asProblem } from '@/api/problem'
import type { Thing, Understood } from '@/api/types'
import { understood } from './useLocker'

const REST_MS = 180

export function useGearList(text: () => string) {
  const lines = ref<Understood[]>([])
  const wrong = ref('')
  /** The text that the lines were read from: another one stands in the field while somebody types. */
  const read = ref('')
  const picks = ref<Record<string, string>>({})
  const left = ref(new Set<string>())
  const counts = ref<Record<string, number>>({})
  let asked = 0

  async function look(): Promise<void> {
    const mine = ++asked
    const wanted = text()
    try {
      const found = wanted.trim() ? await understood(wanted, picks.value) : []
      if (mine !== asked) return
      lines.value = found
      read.value = wanted
      wrong.value = ''
    } catch (problem) {
      if (mine === asked) wrong.value = asProblem(problem).title
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    text,
    () => {
      clearTimeout(timer)
      timer = setTimeout(() => void look(), lines.value.length ? REST_MS : 0)
    },
    { immediate: true },
  )
  function pick(line: Understood, id: string | null): void {
    if (!id) return
    picks.value = { ...picks.value, [line.typed]: id }
    void look()
  }
  function leave(line: Understood): void {
    const next = new Set(left.value)
    if (!next.delete(line.typed)) next.add(line.typed)
    left.value = next
  }
  const pieces = (line: Understood): number => counts.value[line.typed] ?? line.count
  const good = computed(() => lines.value.filter((line) => line.thing && !left.value.has(line.typed)))
  const unknown = computed(() => lines.value.filter((line) => !line.thing && !left.value.has(line.typed)))
  const things = computed<Thing[]>(() => good.value.map((line) => ({ ...line.thing!, id: 'new', count: pieces(line) })))
  const grams = computed(() => things.value.reduce((sum, thing) => sum + thing.mass_g * (thing.count ?? 1), 0))
  const current = computed(() => read.value === text())
  return { lines, wrong, left, counts, good, unknown, things, grams, current, pick, leave, pieces, look }
}
