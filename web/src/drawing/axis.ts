/** A logarithmic focal axis. */
import { scaleLog } from 'd3-scale'

const NAMED = [8, 10, 14, 20, 28, 35, 50, 70, 100, 135, 200, 300, 400, 600, 900, 1200]

export interface FocalAxis {
  low: number
  high: number
  x: (mm: number) => number
  ticks: { mm: number; x: number }[]
}

/** An axis from `left` to `right` that holds all of `values`, with some air and the named focal lengths that fit. */
export function focalAxis(values: readonly number[], left: number, right: number): FocalAxis {
  const present = values.filter((v) => v > 0)
  const low = Math.max(8, Math.min(14, ...present) / 1.15)
  const high = Math.min(1300, Math.max(200, ...present) * 1.15)
  const x = scaleLog([low, high], [left, right]).clamp(true)
  const ticks: FocalAxis['ticks'] = []
  for (const mm of NAMED) {
    const at = x(mm)
    const before = ticks.at(-1)
    if (mm >= low && mm <= high && (!before || at - before.x > 26)) ticks.push({ mm, x: at })
  }
  return { low, high, x: (mm) => x(mm), ticks }
}

export interface Labelled {
  x: number
  width: number
}

/** The lane (row) of each label, so that none covers another; the first lane that is free at its place. */
export function lanes(labels: readonly Labelled[], air = 8): number[] {
  const ends: number[] = []
  return labels.map(({ x, width }) => {
    let lane = ends.findIndex((end) => end + air <= x)
    if (lane < 0) lane = ends.push(0) - 1
    ends[lane] = x + width
    return lane
  })
}

/** Width of a label in pixels: an estimate for our narrow figures, a little generous. */
export function labelWidth(text: string, size = 12): number {
  return text.length * size * 0.5
}
