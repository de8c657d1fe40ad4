/** The brief being typed: saved a moment after each change, kept when the server refuses it, merged with other windows. */
import { cloneFnJSON } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import { merge, withField, type Clash } from '@/api/merge'
import { asProblem, byField, type Problem } from '@/api/problem'
import type { Trip, TripDoc } from '@/api/types'
import { useFormGate } from './useFieldGate'
import { useTrips } from './useTrips'

const PAUSE_MS = 600

export function useBriefDraft(stored: Ref<TripDoc | undefined>) {
  const { save } = useTrips()
  /** Whether something typed is no value yet: then nothing is saved, not even what was there before it. */
  const blocked = useFormGate()
  const draft = ref<Trip | null>(null)
  const version = ref(0)
  const problem = ref<Problem | null>(null)
  const saved = ref('')
  /** Fields that another window changed to something else while they were changed here. */
  const clashes = ref<Clash[]>([])
  let timer: ReturnType<typeof setTimeout> | undefined
  const dirty = computed(() => draft.value !== null && JSON.stringify(draft.value) !== saved.value)
  const unsaved = (): boolean => dirty.value || blocked.value

  function adopt(doc: TripDoc): void {
    draft.value = cloneFnJSON(doc.trip)
    saved.value = JSON.stringify(draft.value)
    version.value = doc.version
    problem.value = null
    clashes.value = []
  }
  watch(
    stored,
    (doc) => {
      if (!doc) return
      const other = doc.trip.id !== draft.value?.id
      if (other || (doc.version > version.value && !unsaved())) adopt(doc)
    },
    { immediate: true },
  )

  /** Puts what another window stored under what was typed here; true when no field was changed in both. */
  async function takeOver(): Promise<boolean> {
    const mine = draft.value!
    const theirs = await ask(client.GET('/api/trips/{slug}', { params: { path: { slug: mine.id } } }))
    const made = merge(JSON.parse(saved.value) as Trip, cloneFnJSON(mine), theirs.trip)
    saved.value = JSON.stringify(theirs.trip)
    version.value = theirs.version
    draft.value = made.value
    clashes.value = made.clashes
    return made.clashes.length === 0
  }
  /** What is on its way. One at a time: two from this window would be two windows to the server, and clash. */
  let sending: Promise<boolean> | undefined
  /** Sends what was typed, after what is on its way. True when all of it is stored. */
  async function flush(): Promise<boolean> {
    clearTimeout(timer)
    while (sending) await sending
    if (blocked.value || clashes.value.length) return false
    if (!draft.value || !dirty.value) return problem.value === null
    sending = send(true).finally(() => (sending = undefined))
    return sending
  }
  async function send(again: boolean): Promise<boolean> {
    const sent = JSON.stringify(draft.value)
    try {
      const doc = await save.mutateAsync({ version: version.value, trip: cloneFnJSON(draft.value!) })
      version.value = doc.version
      saved.value = sent
      problem.value = null
      return true
    } catch (error) {
      const told = asProblem(error)
      try {
        if (told.stale && again) return (await takeOver()) && (await send(false))
        problem.value = told
      } catch (other) {
        problem.value = asProblem(other)
      }
      return false
    }
  }
  /** Says which of two stands where both windows changed one field. */
  function settle(clash: Clash, take: 'mine' | 'theirs'): void {
    clashes.value = clashes.value.filter((c) => c !== clash)
    if (take === 'theirs' && draft.value) draft.value = withField(draft.value, clash.path, clash.theirs)
    if (!clashes.value.length) void flush()
  }
  watch(
    [draft, blocked],
    () => {
      clearTimeout(timer)
      if (dirty.value && !blocked.value) timer = setTimeout(() => void flush(), PAUSE_MS)
    },
    { deep: true },
  )
  onBeforeUnmount(() => clearTimeout(timer))

  /** Throws away what was typed and shows what is stored. */
  function revert(): void {
    if (stored.value) adopt(stored.value)
  }
  const state = computed<'saved' | 'saving' | 'refused'>(() => {
    if (blocked.value || clashes.value.length) return 'refused'
    if (save.isPending.value) return 'saving'
    if (problem.value) return 'refused'
    return dirty.value ? 'saving' : 'saved'
  })
  return { draft, problem, clashes, errors: computed(() => byField(problem.value)), state, unsaved, flush, revert, settle }
}
