/** The trade curve in pixels: grams carried to the right, share of the brief upward. */
import { range } from 'd3-array'
import { scaleLinear } from 'd3-scale'

export interface CurveScale {
  x: (grams: number) => number
  y: (score: number) => number
  xTicks: { grams: number; x: number }[]
  yTicks: { score: number; y: number }[]
}

export interface Frame {
  left: number
  right: number
  top: number
  bottom: number
}

/** What kits are drawn over. */
export type Axis = 'carried' | 'day'
/** The share of points that no other beats, from left to right: of as little to carry the one that covers most. */
export function frontier<T extends { grams: number; score: number }>(points: readonly T[]): T[] {
  const sorted = [...points].sort((a, b) => a.grams - b.grams || b.score - a.score)
  return sorted.filter((one, index) => sorted.slice(0, index).every((before) => before.score < one.score))
}

const STEPS = [100, 200, 250, 500, 1000, 2000, 2500, 5000, 10_000]

/** Scales that hold all masses and scores with some air; the upright one starts at a round ten below the lowest. */
export function curveScale(grams: readonly number[], scores: readonly number[], frame: Frame): CurveScale {
  const low = Math.min(...grams)
  const high = Math.max(...grams)
  const air = Math.max(100, (high - low) * 0.05)
  const [from, to] = [Math.max(0, low - air), high + air]
  const floor = Math.max(0, Math.floor((Math.min(...scores) - 2) / 10) * 10)
  const x = scaleLinear([from, to], [frame.left, frame.right])
  const y = scaleLinear([floor, 102], [frame.bottom, frame.top])
  const step = STEPS.find((s) => (frame.right - frame.left) / ((to - from) / s) >= 64) ?? 20_000
  const xTicks = range(Math.ceil(from / step) * step, to + 1e-9, step).map((grams) => ({ grams, x: x(grams) }))
  const yTicks = range(floor, 101, floor >= 60 ? 10 : 20).map((score) => ({ score, y: y(score) }))
  return { x: (grams) => x(grams), y: (score) => y(score), xTicks, yTicks }
}

/** The stairs through points that are sorted by mass: level until the next point, then up. */
export function stairs(points: readonly { x: number; y: number }[]): string {
  return points.map((p, i) => (i === 0 ? `M${p.x} ${p.y}` : `H${p.x}V${p.y}`)).join('')
}

export interface Span {
  from: number
  to: number
}

/** For each item, the runs of neighbouring points (by index) in whose kit it is. */
export function spans(kits: readonly ReadonlySet<string>[], item: string): Span[] {
  const found: Span[] = []
  kits.forEach((kit, index) => {
    if (!kit.has(item)) return
    const last = found.at(-1)
    if (last && last.to === index - 1) last.to = index
    else found.push({ from: index, to: index })
  })
  return found
}

/** Names of marks, those that stand close together told at the first of them: "A, D"; the others have none. first: told by itself. */
export function namesApart(marks: readonly { x: number; y: number; name: string }[], wide = 34, high = 18): string[] {
  const names = marks.map((m) => m.name)
  marks.forEach((mark, index) => {
    if (index === 0) return
    const near = marks.findIndex((other, before) => before > 0 && before < index && names[before] !== '' && Math.abs(other.x - mark.x) < wide && Math.abs(other.y - mark.y) < high)
    if (near < 0) return
    names[near] = `${names[near]}, ${mark.name}`
    names[index] = ''
  })
  return names
}
