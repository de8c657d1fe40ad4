/** The form of one versioned document: a draft that stays until it is saved or thrown away, and what is wrong with it. */
import { computed, ref, type Ref, watch } from 'vue'
import { asProblem, byField, looseRules } from '@/api/problem'
import { cloneFnJSON } from '@vueuse/core'

interface Verb {
  error: Ref<Error | null>
}

export interface DocumentForm<T> {
  /** What is stored, with the version it has there. */
  stored: () => { version: number; value: T }
  /** Whether it is not stored yet. */
  fresh: () => boolean
  /** Stores the draft; gives its id. */
  store: (draft: T, version: number) => Promise<string>
  /** Fields that the form shows; complaints about others are told below it. */
  shows: (field: string) => boolean
  verbs: Verb[]
}

export function useDocumentForm<T extends { id: string }>(form: DocumentForm<T>) {
  const draft = ref(cloneFnJSON(form.stored().value)) as Ref<T>
  function revert(): void {
    draft.value = cloneFnJSON(form.stored().value)
  }
  watch(() => [form.stored().value.id, form.stored().version] as const, revert)
  const dirty = computed(() => form.fresh() || JSON.stringify(draft.value) !== JSON.stringify(form.stored().value))
  const problem = computed(() => {
    const error = form.verbs.map((verb) => verb.error.value).find(Boolean)
    return error ? asProblem(error) : null
  })
  const errors = computed(() => byField(problem.value))
  /** What no field shows, as one text; empty when every complaint stands at its field. */
  const rest = computed(() => {
    if (!problem.value) return ''
    const loose = looseRules(problem.value, form.shows)
    return loose.length || !problem.value.fields.length ? [problem.value.title, ...loose].join(' ') : ''
  })
  /** Stores the draft and gives its id; null when it was refused, which the form then shows. */
  async function store(): Promise<string | null> {
    return form.store(draft.value, form.stored().version).catch(() => null)
  }
  return { draft, dirty, errors, rest, revert, store }
}
