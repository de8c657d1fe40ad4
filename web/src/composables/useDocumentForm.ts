/** The form of one versioned document: a draft that stays until it is saved or thrown away, and what is wrong with it. */
import { computed, ref, type Ref, watch } from 'vue'
import { asProblem, byField, looseRules } from '@/api/problem'
import { cloneFnJSON } from '@vueuse/core'
import { useFormGate } from './useFieldGate'

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

/** What stands at a dotted path. */
function at(value: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((inside, key) => (typeof inside === 'object' && inside !== null ? (inside as Record<string, unknown>)[key] : undefined), value)
}

export function useDocumentForm<T extends { id: string }>(form: DocumentForm<T>) {
  const draft = ref(cloneFnJSON(form.stored().value)) as Ref<T>
  /** Whether something typed is no value yet: it is not stored with the one of before. */
  const blocked = useFormGate()
  function revert(): void {
    draft.value = cloneFnJSON(form.stored().value)
  }
  watch(() => [form.stored().value.id, form.stored().version] as const, revert)
  const dirty = computed(() => form.fresh() || JSON.stringify(draft.value) !== JSON.stringify(form.stored().value))
  const problem = computed(() => {
    const error = form.verbs.map((verb) => verb.error.value).find(Boolean)
    return error ? asProblem(error) : null
  })
  /** The draft as it was refused: a field that was changed since has its complaint no more. */
  const refused = ref<string>('')
  const errors = computed(() => {
    const was = refused.value ? (JSON.parse(refused.value) as unknown) : null
    const still = ([field]: [string, string]): boolean => JSON.stringify(at(draft.value, field)) === JSON.stringify(at(was, field))
    return Object.fromEntries(Object.entries(byField(problem.value)).filter(still))
  })
  /** What no field shows, as one text; empty when every complaint stands at its field. */
  const rest = computed(() => {
    if (!problem.value) return ''
    const loose = looseRules(problem.value, form.shows)
    return loose.length || !problem.value.fields.length ? [problem.value.title, ...loose].join(' ') : ''
  })
  /** Stores the draft and gives its id; null when it was refused, which the form then shows. */
  async function store(): Promise<string | null> {
    if (blocked.value) return null
    return form.store(draft.value, form.stored().version).catch(() => {
      refused.value = JSON.stringify(draft.value)
      return null
    })
  }
  const unsaved = (): boolean => dirty.value || blocked.value
  return { draft, dirty, blocked, errors, rest, revert, store, unsaved }
}
