/** Finding gear by what people type. */
import type { Thing } from '@/api/types'
import { GROUP, groupOf, KIND } from '@/wording/kinds'

function plain(text: string): string {
  return text.toLowerCase().replace(/[–—−]/g, '-').replace(/f\/ ?/g, 'f/')
}

/** Whether every typed word occurs in the thing's name, kind or heading. */
export function matches(thing: Pick<Thing, 'name' | 'kind'>, typed: string): boolean {
  const hay = plain(`${thing.name} ${KIND[thing.kind]} ${GROUP[groupOf(thing.kind)]}`)
  return plain(typed)
    .split(/\s+/)
    .every((word) => hay.includes(word))
}
