/** What was done to the locker in this window, so that it can be taken back: one step for whatever was done at once. */
import { computed, ref } from 'vue'
import type { Thing, ThingDoc } from '@/api/types'

/** How things were before a step: as they stood, or not there at all. */
export interface Step {
  says: string
  before: { id: string; thing: Thing | null }[]
}
const MOST_STEPS = 100
const done = ref<Step[]>([])
const undone = ref<Step[]>([])

/** How the things of a list stand now: the other side of a step. */
export function standing(ids: Iterable<string>, docs: readonly ThingDoc[]): Step['before'] {
  const now = new Map(docs.map((doc) => [doc.thing.id, doc.thing]))
  return [...new Set(ids)].map((id) => ({ id, thing: now.get(id) ?? null }))
}

/** What the server is asked to do so that things stand as they did. */
export function back(step: Step, docs: readonly ThingDoc[]): { put: ThingDoc[]; remove: string[] } {
  const versions = new Map(docs.map((doc) => [doc.thing.id, doc.version]))
  return {
    put: step.before.flatMap(({ id, thing }) => (thing ? [{ version: versions.get(id) ?? 0, thing }] : [])),
    remove: step.before.filter(({ id, thing }) => !thing && versions.has(id)).map(({ id }) => id),
  }
}

export function noted(step: Step): void {
  done.value = [...done.value, step].slice(-MOST_STEPS)
  undone.value = []
}

/** Somebody else's steps are nobody's to take back. */
export function forgetSteps(): void {
  done.value = []
  undone.value = []
}

/** Takes steps back, and back again. change: does it on the server; docs: the locker as it stands. */
export function useLockerHistory(docs: () => readonly ThingDoc[], change: (wish: { put: ThingDoc[]; remove: string[] }) => Promise<unknown>) {
  async function move(from: typeof done, to: typeof done): Promise<string | null> {
    const step = from.value.at(-1)
    if (!step) return null
    const inverse: Step = { says: step.says, before: standing(step.before.map((one) => one.id), docs()) }
    await change(back(step, docs()))
    from.value = from.value.filter((one) => one !== step)
    to.value = [...to.value, inverse]
    return step.says
  }
  return {
    last: computed(() => done.value.at(-1)?.says ?? null),
    next: computed(() => undone.value.at(-1)?.says ?? null),
    undo: () => move(done, undone),
    redo: () => move(undone, done),
  }
}
