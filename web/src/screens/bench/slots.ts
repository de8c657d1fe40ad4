/** A slot takes this or that. */
import type { Edit } from '@/api/types'

/** The edits that leave a slot with `item` alone; clicking what is in it takes it out. */
export function swap(items: readonly string[], item: string, loaded: ReadonlyMap<string, number>): Edit[] {
  const leaving = items.filter((other) => loaded.has(other))
  const edits: Edit[] = leaving.map((other) => ({ act: 'leave', item: other, count: null }))
  return loaded.has(item) && leaving.length === 1 ? edits : [...edits.filter((e) => e.item !== item), ...(loaded.has(item) ? [] : [{ act: 'load' as const, item, count: 1 }])]
}
