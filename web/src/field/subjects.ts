/** What marks say the state of, and what they come to with those that are still on this device. Pure; mirrors mule.plan.field. */
import type { FieldOut, Mark, What } from '@/api/types'

/** What a mark says the state of; null for what simply happened. */
export function subjectOf(what: What): string | null {
  switch (what.do) {
    case 'tick':
      return `line:${what.line}`
    case 'pack':
    case 'card':
      return `${what.do}:${what.item}#${what.piece}`
    case 'weighed':
      return `weight:${what.bag}`
    case 'cold':
      return `cold:${what.day}`
    case 'along':
      return `along:${what.day}.${what.item}`
    default:
      return null
  }
}

/** What stands: the server's marks, and over them those that wait here to be sent. */
export interface Standing {
  now: ReadonlyMap<string, Mark>
  log: readonly Mark[]
  conflicts: FieldOut['conflicts']
}

export function standing(field: FieldOut | undefined, waiting: readonly Mark[]): Standing {
  const known = new Set(field?.marks.map((m) => m.id))
  const more = waiting.filter((m) => !known.has(m.id))
  const now = new Map(Object.entries(field?.now ?? {}))
  for (const mark of more) {
    const subject = subjectOf(mark.what)
    if (subject) now.set(subject, mark)
  }
  const settled = new Set(more.flatMap((m) => m.after ?? []))
  const all = [...(field?.marks ?? []), ...more]
  const takenBack = new Set(all.flatMap((m) => (m.what.do === 'taken-back' ? [m.what.mark] : [])))
  return {
    now,
    log: all.filter((m) => m.what.do !== 'taken-back' && subjectOf(m.what) === null && !takenBack.has(m.id)),
    conflicts: (field?.conflicts ?? []).filter((c) => !c.marks.every((m) => settled.has(m.id))),
  }
}

/** The marks of a subject that this device knows, which a new one replaces. */
export function replaced(stands: Standing, what: What): string[] {
  const subject = subjectOf(what)
  if (!subject) return []
  const both = stands.conflicts.find((c) => c.subject === subject)?.marks.map((m) => m.id) ?? []
  const now = stands.now.get(subject)
  return [...new Set([...both, ...(now ? [now.id] : [])])].slice(0, 40)
}

export function ticked(stands: Standing, line: string): boolean {
  const what = stands.now.get(`line:${line}`)?.what
  return what?.do === 'tick' && what.done
}
/** The guest who ticked a line; nothing where it was the owner, or is not done. */
export function tickedBy(stands: Standing, line: string): string | null {
  return (ticked(stands, line) && stands.now.get(`line:${line}`)?.by) || null
}
/** A line done, or not any more: the other of what it is by then. */
export function toggled(line: string): (stands: Standing) => What {
  return (stands) => ({ do: 'tick', line, done: !ticked(stands, line) })
}
