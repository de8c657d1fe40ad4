/** Things drawn from their real size: outlines in millimetres, origin at the top left of the drawing. */
import type { Size, Thing } from '@/api/types'

export interface Stroke {
  d: string
  /** outline: the thing's edge, filled. detail: a line on it. */
  role: 'outline' | 'detail' | 'dark'
}

export interface Drawn {
  width: number
  height: number
  strokes: Stroke[]
}

function rect(x: number, y: number, w: number, h: number, r = 0): string {
  const c = Math.min(r, w / 2, h / 2)
  return c <= 0
    ? `M${x} ${y}h${w}v${h}h${-w}z`
    : `M${x + c} ${y}h${w - 2 * c}a${c} ${c} 0 0 1 ${c} ${c}v${h - 2 * c}a${c} ${c} 0 0 1 ${-c} ${c}h${2 * c - w}a${c} ${c} 0 0 1 ${-c} ${-c}v${2 * c - h}a${c} ${c} 0 0 1 ${c} ${-c}z`
}

function circle(cx: number, cy: number, r: number): string {
  return `M${cx - r} ${cy}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`
}

/** Width and height of the face a thing shows on the table, in millimetres. */
export function face(size: Size): { width: number; height: number } {
  switch (size.shape) {
    case 'cylinder':
      return { width: size.diameter_mm, height: size.length_mm }
    case 'soft': {
      const side = Math.cbrt(size.volume_l * 1e6)
      return { width: side * 1.2, height: side * 0.9 }
    }
    default: {
      const [a, b] = [size.length_mm, size.width_mm, size.height_mm].sort((x, y) => y - x) as [number, number, number]
      return { width: a, height: b }
    }
  }
}

function lying(f: { width: number; height: number }) {
  return f.height > f.width ? { width: f.height, height: f.width } : f
}

/** A bag that is carried stands as it is worn. */
function standing(f: { width: number; height: number }) {
  return f.width > f.height ? { width: f.height, height: f.width } : f
}

type Draw = (w: number, h: number) => Stroke[]
const outline = (d: string): Stroke => ({ d, role: 'outline' })
const detail = (d: string): Stroke => ({ d, role: 'detail' })
const dark = (d: string): Stroke => ({ d, role: 'dark' })

const body: Draw = (w, h) => {
  const top = h * 0.2
  const hump = `M0 ${top + 4}a4 4 0 0 1 4 -4h${w * 0.3}l${w * 0.06} ${-top}h${w * 0.2}l${w * 0.06} ${top}H${w - 4}a4 4 0 0 1 4 4V${h - 4}a4 4 0 0 1 -4 4H4a4 4 0 0 1 -4 -4z`
  return [outline(hump), detail(circle(w * 0.5, top + (h - top) / 2, (h - top) * 0.36)), detail(`M${w * 0.08} ${top + 8}v${h - top - 16}`)]
}
const barrel: Draw = (w, h) => [
  outline(rect(0, 0, w, h, 5)),
  dark(rect(0, h * 0.28, w, Math.max(3, h * 0.07))),
  detail(`M0 ${h * 0.16}h${w}M0 ${h * 0.62}h${w}M${w * 0.08} ${h * 0.93}h${w * 0.84}`),
]
const ring: Draw = (w) => [outline(circle(w / 2, w / 2, w / 2)), detail(circle(w / 2, w / 2, w * 0.42))]
const converter: Draw = (w, h) => [outline(rect(0, 0, w, h, 3)), dark(rect(0, h * 0.4, w, h * 0.2))]
const pack: Draw = (w, h) => [outline(rect(0, 0, w, h, 3)), detail(`M${w * 0.15} ${h * 0.16}h${w * 0.12}M${w * 0.35} ${h * 0.16}h${w * 0.12}M${w * 0.55} ${h * 0.16}h${w * 0.12}`)]
const charger: Draw = (w, h) => [outline(rect(0, 0, w, h, 5)), detail(rect(w * 0.08, h * 0.14, w * 0.38, h * 0.72, 2) + rect(w * 0.54, h * 0.14, w * 0.38, h * 0.72, 2))]
const card: Draw = (w, h) => [outline(`M0 0h${w * 0.74}l${w * 0.26} ${h * 0.22}V${h}H0z`), detail(`M${w * 0.16} ${h * 0.5}h${w * 0.6}`)]
const slab: Draw = (w, h) => [outline(rect(0, 0, w, h, 4)), detail(rect(w * 0.05, h * 0.08, w * 0.9, h * 0.84, 2))]
const legs: Draw = (w, h) => {
  const leg = h / 3.4
  return [0, 1, 2].map((i) => outline(rect(0, i * leg * 1.2, w, leg, leg / 2))).concat(detail(`M${w * 0.35} 0v${h}M${w * 0.7} 0v${h}`))
}
const head: Draw = (w, h) => [outline(`${rect(w * 0.1, h * 0.55, w * 0.8, h * 0.45, 3)}${circle(w / 2, h * 0.4, w * 0.32)}${rect(w * 0.15, 0, w * 0.7, h * 0.14, 2)}`)]
const bag: Draw = (w, h) => [
  outline(rect(0, 0, w, h, 26)),
  detail(`${rect(w * 0.1, h * 0.5, w * 0.8, h * 0.4, 14)}M${w * 0.06} ${h * 0.3}h${w * 0.88}M${w * 0.36} 0v${-1}M${w * 0.4} ${h * 0.04}q${w * 0.1} ${h * 0.06} ${w * 0.2} 0`),
]
const insert: Draw = (w, h) => [outline(rect(0, 0, w, h, 10)), detail(`M${w * 0.36} ${h * 0.06}v${h * 0.88}M${w * 0.68} ${h * 0.06}v${h * 0.88}M${w * 0.36} ${h * 0.5}h${w * 0.32}`)]
const soft: Draw = (w, h) => [
  outline(`M${w * 0.1} ${h * 0.14}Q${w * 0.5} ${-h * 0.08} ${w * 0.9} ${h * 0.12}Q${w * 1.04} ${h * 0.5} ${w * 0.9} ${h * 0.9}Q${w * 0.5} ${h * 1.06} ${w * 0.1} ${h * 0.88}Q${-w * 0.04} ${h * 0.5} ${w * 0.1} ${h * 0.14}z`),
  detail(`M${w * 0.2} ${h * 0.42}q${w * 0.2} ${-h * 0.12} ${w * 0.4} 0M${w * 0.4} ${h * 0.66}q${w * 0.2} ${h * 0.1} ${w * 0.36} ${-h * 0.04}`),
]
const plain: Draw = (w, h) => [outline(rect(0, 0, w, h, 4))]
const plus: Draw = (w, h) => {
  const a = Math.min(w, h) * 0.18
  return [outline(rect(0, 0, w, h, 8)), detail(`M${w / 2 - a} ${h / 2}h${2 * a}M${w / 2} ${h / 2 - a}v${2 * a}`)]
}

const DRAW: Partial<Record<Thing['kind'], Draw>> = {
  body,
  lens: barrel,
  teleconverter: converter,
  'mount-adapter': converter,
  filter: ring,
  'step-ring': ring,
  battery: pack,
  charger,
  'power-bank': slab,
  card,
  drive: slab,
  computer: slab,
  tripod: legs,
  head,
  bag,
  insert,
  safety: plus,
}

/** One piece of a thing as it lies on the table. */
export function draw(thing: Thing): Drawn {
  const f = face(thing.size)
  const round = thing.kind === 'filter' || thing.kind === 'step-ring'
  const upright = thing.kind === 'bag' && thing.piece !== 'hold'
  const shown = round ? { width: f.width, height: f.width } : thing.kind === 'tripod' ? lying(f) : upright ? standing(f) : f
  const how = thing.size.shape === 'soft' && thing.kind !== 'safety' ? soft : (DRAW[thing.kind] ?? plain)
  return { ...shown, strokes: how(shown.width, shown.height) }
}
