/** What must come and what must stay, on a trip. Pure. */
import type { Marks } from '@/api/types'

export type How = 'must_take' | 'must_leave'

/** Marks with a thing marked one way, and no longer the other; marked already, the mark goes. */
export function withMark(marks: Marks, item: string, how: How): Marks {
  const other = how === 'must_take' ? 'must_leave' : 'must_take'
  const without = (ids: string[] | undefined): string[] => (ids ?? []).filter((id) => id !== item)
  const there = (marks[how] ?? []).includes(item)
  return { ...marks, [how]: there ? without(marks[how]) : [...(marks[how] ?? []), item], [other]: without(marks[other]) }
}

/** "always take", "leave at home", or nothing. */
export function markedAs(marks: Marks, item: string): '' | 'always take' | 'leave at home' {
  if (marks.must_take?.includes(item)) return 'always take'
  return marks.must_leave?.includes(item) ? 'leave at home' : ''
}
