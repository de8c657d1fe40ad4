/** The ledger's rows: what is loaded, by heading, with grams and worth. */
import type { Advice, Entry, Place, Thing } from '@/api/types'
import { type Group, groupOf, GROUPS } from '@/wording/kinds'

export interface LedgerRow {
  thing: Thing
  count: number
  mass_g: number
  places: Place[]
  /** Points of worth of one piece; null for what does not take part in a set-up. */
  worth: number | null
  direct: number
  backup: number
}

export interface LedgerGroup {
  group: Group
  mass_g: number
  rows: LedgerRow[]
}

export function ledger(things: Map<string, Thing>, entries: Map<string, Entry[]>, earns: Advice['worth']): LedgerGroup[] {
  const worth = new Map(earns.map((w) => [w.item, w]))
  const groups = new Map<Group, LedgerRow[]>()
  for (const [id, list] of entries) {
    const thing = things.get(id)
    if (!thing) continue
    const count = list.reduce((n, entry) => n + (entry.count ?? 1), 0)
    const points = worth.get(id)
    const row: LedgerRow = {
      thing,
      count,
      mass_g: thing.mass_g * count,
      places: list.map((entry) => entry.place),
      worth: points?.points ?? null,
      direct: points?.direct ?? 0,
      backup: points?.backup ?? 0,
    }
    const group = groupOf(thing.kind)
    groups.set(group, [...(groups.get(group) ?? []), row])
  }
  return GROUPS.filter((group) => groups.has(group)).map((group) => {
    const rows = groups.get(group) ?? []
    return { group, rows: rows.sort((a, b) => (b.worth ?? -1) - (a.worth ?? -1)), mass_g: rows.reduce((sum, row) => sum + row.mass_g, 0) }
  })
}
