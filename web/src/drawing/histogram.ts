/** Frames over the focal axis: bars on a log scale, with what the kit reaches beneath. Pure. */
import { max } from 'd3-array'
import { scaleLinear, scaleLog } from 'd3-scale'
import type { FocalCell } from '@/api/types'

export interface Bar {
  x: number
  width: number
  height: number
  frames: number
  from_mm: number
  to_mm: number
}
export interface Stretch {
  x: number
  width: number
}

/** Half a tick's figures, in pixels: nearer to an end they would be cut off. */
const EDGE = 12

/** Bars in a box of this size; the tallest fills it. */
export function histogram(cells: readonly FocalCell[], wide: number, high: number): { bars: Bar[]; reach: Stretch[]; ticks: { x: number; mm: number }[] } {
  if (!cells.length) return { bars: [], reach: [], ticks: [] }
  const each = wide / cells.length
  const height = scaleLinear([0, Math.max(1, max(cells, (c) => c.frames) ?? 0)], [0, high])
  const bars = cells.flatMap((c, i) => (c.frames ? [{ x: i * each, width: Math.max(1, each - 1), height: height(c.frames), frames: c.frames, from_mm: c.from_mm, to_mm: c.to_mm }] : []))
  const reach: Stretch[] = []
  cells.forEach((c, i) => {
    if (!c.reached) return
    const last = reach.at(-1)
    if (last && Math.abs(last.x + last.width - i * each) < 0.01) last.width += each
    else reach.push({ x: i * each, width: each })
  })
  const at = scaleLog([cells[0]!.from_mm, cells.at(-1)!.to_mm], [0, wide])
  const ticks = [14, 20, 28, 40, 56, 80, 110, 160, 200, 300, 400, 600, 800].map((mm) => ({ mm, x: at(mm) })).filter((t) => t.x >= EDGE && t.x <= wide - EDGE)
  return { bars, reach, ticks }
}
