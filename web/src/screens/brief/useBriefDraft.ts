/** The brief being typed: saved a moment after each change, kept when the server refuses it. */
import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { asProblem, byField, type Problem } from '@/api/problem'
import type { Trip, TripDoc } from '@/api/types'
import { useTrips } from '@/composables/useTrips'
import { cloneFnJSON } from '@vueuse/core'

const PAUSE_MS = 600

export function useBriefDraft(stored: Ref<TripDoc | undefined>) {
  const { save } = useTrips()
  const draft = ref<Trip | null>(null)
  const version = ref(0)
  const problem = ref<Problem | null>(null)
  const saved = ref('')
  let timer: ReturnType<typeof setTimeout> | undefined
  const dirty = computed(() => draft.value !== null && JSON.stringify(draft.value) !== saved.value)

  function adopt(doc: TripDoc): void {
    draft.value = cloneFnJSON(doc.trip)
    saved.value = JSON.stringify(draft.value)
    version.value = doc.version
    problem.value = null
  }
  watch(
    stored,
    (doc) => {
      if (!doc) return
      const other = doc.trip.id !== draft.value?.id
      if (other || (doc.version > version.value && !dirty.value)) adopt(doc)
    },
    { immediate: true },
  )

  /** Sends what was typed. True when all of it is stored. */
  async function flush(): Promise<boolean> {
    clearTimeout(timer)
    if (!draft.value || !dirty.value) return problem.value === null
    const sent = JSON.stringify(draft.value)
    try {
      const doc = await save.mutateAsync({ version: version.value, trip: cloneFnJSON(draft.value) })
      version.value = doc.version
      saved.value = sent
      problem.value = null
      return true
    } catch (error) {
      problem.value = asProblem(error)
      return false
    }
  }
  watch(
    draft,
    () => {
      clearTimeout(timer)
      if (dirty.value) timer = setTimeout(() => void flush(), PAUSE_MS)
    },
    { deep: true },
  )
  onBeforeUnmount(() => clearTimeout(timer))

  /** Throws away what was typed and shows what is stored. */
  function revert(): void {
    if (stored.value) adopt(stored.value)
  }
  const state = computed<'saved' | 'saving' | 'refused'>(() => {
    if (save.isPending.value) return 'saving'
    if (problem.value) return 'refused'
    return dirty.value ? 'saving' : 'saved'
  })
  return { draft, problem, errors: computed(() => byField(problem.value)), state, flush, revert }
}
