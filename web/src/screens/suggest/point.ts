/** A point of the curve against the kit on the table: what enters the bag, and what leaves it. */
import type { Choice, Entry, Point, Thing } from '@/api/types'

export interface Change {
  item: string
  name: string
  count: number
  mass_g: number
}

function counts(entries: readonly Entry[]): Map<string, number> {
  const found = new Map<string, number>()
  for (const entry of entries) found.set(entry.item, (found.get(entry.item) ?? 0) + (entry.count ?? 1))
  return found
}

export function changes(now: ReadonlyMap<string, number>, point: Point, things: ReadonlyMap<string, Thing>): { enters: Change[]; leaves: Change[] } {
  const then = counts(point.kit.entries ?? [])
  const made: Change[] = [...new Set([...now.keys(), ...then.keys()])]
    .map((item) => ({ item, count: (then.get(item) ?? 0) - (now.get(item) ?? 0), thing: things.get(item) }))
    .filter(({ count }) => count !== 0)
    .map(({ item, count, thing }) => ({ item, count, name: thing?.name ?? item, mass_g: (thing?.mass_g ?? 0) * count }))
    .sort((a, b) => Math.abs(b.mass_g) - Math.abs(a.mass_g))
  return { enters: made.filter((c) => c.count > 0), leaves: made.filter((c) => c.count < 0) }
}

/** How far a search came that is not running: all of it only where it came to its end. */
export function cameTo(points: readonly Point[], wanted: number, choice: Choice | null): string {
  const proved = points.filter((p) => p.proved).length
  const told = proved === points.length ? 'each of them proved' : `${proved} of them proved`
  const ended = choice ? (choice.stopped ? 'out of time' : null) : 'stopped'
  if (ended === null) return `${points.length} kits, ${proved === points.length ? 'all proved' : `${proved} proved`}`
  return points.length ? `${ended} at ${points.length} of ${wanted} kits, ${told}` : `${ended} before the first kit`
}
