/** The order of the locker's rows: by heading, within it as they came or by a column. */
import type { ThingDoc } from '@/api/types'
import { type Group, groupOf, GROUPS, KIND } from '@/wording/kinds'

export type SortBy = 'name' | 'kind' | 'count' | 'mass'
/** None: as things came into the locker. */
export type Sort = { by: SortBy; down: boolean } | null

const VALUE: Record<SortBy, (doc: ThingDoc) => string | number> = {
  name: (d) => d.thing.name,
  kind: (d) => KIND[d.thing.kind],
  count: (d) => d.thing.count ?? 1,
  mass: (d) => d.thing.mass_g,
}

export function grouped(rows: readonly ThingDoc[], sort: Sort): { group: Group; rows: ThingDoc[] }[] {
  const value = sort && VALUE[sort.by]
  const order = (a: ThingDoc, b: ThingDoc): number => {
    const [x, y] = [value!(a), value!(b)]
    return (typeof x === 'number' ? x - (y as number) : x.localeCompare(String(y), 'en', { numeric: true })) * (sort!.down ? -1 : 1)
  }
  return GROUPS.map((group) => {
    const own = rows.filter((d) => groupOf(d.thing.kind) === group)
    return { group, rows: sort ? own.sort(order) : own }
  }).filter((g) => g.rows.length)
}
