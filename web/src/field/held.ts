/** What lies in a bag, for the mark of its weighing: with what is in its inserts, and the inserts too. Pure. */
import type { Entry, Thing } from '@/api/types'

export interface Held {
  item: string
  count: number
  mass_g: number
}

export function heldIn(bag: string, entries: readonly Entry[], things: ReadonlyMap<string, Thing>): Held[] {
  const counts = new Map<string, number>()
  const look = (holder: string): void => {
    for (const { item, count, place } of entries) {
      if (place.where !== 'bag' || place.bag !== holder) continue
      counts.set(item, (counts.get(item) ?? 0) + (count ?? 1))
      look(item)
    }
  }
  look(bag)
  return [...counts].map(([item, count]) => ({ item, count, mass_g: things.get(item)?.mass_g ?? 0 }))
}
