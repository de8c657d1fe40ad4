/** Days as columns: packs that fall by day and rise by night, all on one grid. Pure figures, no colours. */
import type { PackDay, PowerDay } from '@/api/types'

/** Share of a column that is day; the rest is its night. */
export const DAY_SHARE = 0.72

type TypeDay = PowerDay['types'][number]

/** Whether a type of pack gives less than a day asks. */
export function isShort(type: TypeDay): boolean {
  return type.got_wh < type.need_wh - 1e-6
}

/** Whether that makes the day short: of a type that is not loaded at all, the link is what is missing. */
export function breaksDay(type: TypeDay): boolean {
  return isShort(type) && !type.bare
}

export interface Column {
  x: number
  width: number
  /** Where the day ends and the night begins. */
  dusk: number
}

export function columns(count: number, left: number, width: number, least: number): Column[] {
  const each = count ? Math.max(least, (width - left) / count) : 0
  return Array.from({ length: count }, (_, i) => ({ x: left + i * each, width: each, dusk: left + (i + DAY_SHARE) * each }))
}

/** A pack over one day and night as a polygon standing on `base`, `height` tall when full. */
export function packShape(pack: PackDay, column: Column, base: number, height: number): string {
  const y = (wh: number): number => base - height * Math.min(1, Math.max(0, wh / Math.max(1e-9, pack.full_wh)))
  const morning = pack.evening_wh + pack.charged_wh
  const end = column.x + column.width
  const points: [number, number][] = [
    [column.x, base],
    [column.x, y(pack.start_wh)],
    [column.dusk, y(pack.evening_wh)],
    [end, y(morning)],
    [end, base],
  ]
  return points.map(([a, b]) => `${round(a)},${round(b)}`).join(' ')
}

/** Points of a line through the middle of each day, between the highest and the lowest value. */
export function dayLine(values: readonly number[], cols: readonly Column[], top: number, height: number): { x: number; y: number }[] {
  const low = Math.min(...values)
  const span = Math.max(6, Math.max(...values) - low)
  return cols.map((c, i) => ({ x: (c.x + c.dusk) / 2, y: top + height * (1 - ((values[i] ?? low) - low) / span) }))
}


/** Rows of a timetable: one per thing on a socket, in order of their first start; one more for each that it charges at the same time. */
export function timetable<T extends { by: string; socket: number; from_h: number; to_h: number }>(charges: readonly T[]): { key: string; by: string; socket: number; charges: T[] }[] {
  const rows = new Map<string, { key: string; by: string; socket: number; charges: T[] }>()
  for (const charge of [...charges].sort((a, b) => a.socket - b.socket || a.from_h - b.from_h)) {
    let bay = 1
    const at = (): string => `${charge.socket} ${charge.by} ${bay}`
    while ((rows.get(at())?.charges.at(-1)?.to_h ?? 0) > charge.from_h + 1e-6) bay += 1
    const key = at()
    const row = rows.get(key) ?? { key, by: charge.by, socket: charge.socket, charges: [] }
    row.charges.push(charge)
    rows.set(key, row)
  }
  return [...rows.values()]
}

function round(value: number): number {
  return Math.round(value * 10) / 10
}
