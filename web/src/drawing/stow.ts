/** A compartment drawn from coordinates: plan (from the front), section (from the side), and the room that is left. */
import type { Kind, Placed, RoomUse, Thing } from '@/api/types'

export interface Face {
  block: string
  x: number
  y: number
  width: number
  height: number
  /** A round thing seen along its axis is a circle. */
  circle: boolean
  /** Wholly past the cut: drawn as an outline only. */
  beyond: boolean
  label: string[]
  /** Middle of the label: where nothing drawn later covers it. */
  labelAt: { x: number; y: number }
}

export interface Free {
  at: [number, number, number]
  size: [number, number, number]
}

const AXES = ['x', 'y', 'z'] as const
/** Widths of a letter and of a line at the size labels are set in, in pixels. */
const LETTER = 5.9
const LINE = 13
const MARGIN = 6

/** A name in one to three lines that fit a face, or nothing: a cut-off name says less than none. */
export function labelIn(name: string, width: number, height: number): string[] {
  const most = Math.floor((width - MARGIN) / LETTER)
  const rows = Math.min(3, Math.floor((height - 2) / LINE))
  if (most < 2 || rows < 1) return []
  const lines: string[] = []
  for (const word of name.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines.length <= rows && lines.every((line) => line.length <= most) ? lines : []
}

function faces(placed: readonly Placed[], axes: [number, number, number], scale: number, names: (block: Placed) => string, beyond: (p: Placed) => boolean, flip: number | null): Face[] {
  const [across, down, depth] = axes
  return [...placed]
    .sort((a, b) => a.at_mm[depth]! + a.size_mm[depth]! - b.at_mm[depth]! - b.size_mm[depth]!)
    .map((p) => {
      const width = p.size_mm[across]! * scale
      const height = p.size_mm[down]! * scale
      const top = flip === null ? p.at_mm[down]! : flip - p.at_mm[down]! - p.size_mm[down]!
      return {
        block: p.block,
        x: p.at_mm[across]! * scale,
        y: top * scale,
        width,
        height,
        circle: p.round === AXES[depth],
        beyond: beyond(p),
        label: labelIn(names(p), width, height),
        labelAt: { x: 0, y: 0 },
      }
    })
    .map((face, index, all) => ({ ...face, ...labelPlace(face, all.slice(index + 1)) }))
}

/** The middle, else nearer to an edge; no label where all of these are covered. */
function labelPlace(face: Face, later: readonly Face[]): Pick<Face, 'label' | 'labelAt'> {
  const half = { x: (Math.max(0, ...face.label.map((line) => line.length)) * LETTER) / 2 + 1, y: (face.label.length * LINE) / 2 }
  const room = { x: face.width / 2 - half.x - 2, y: face.height / 2 - half.y - 1 }
  const centre = { x: face.x + face.width / 2, y: face.y + face.height / 2 }
  const cover = later.filter((f) => !f.beyond)
  for (const [dx, dy] of [[0, 0], [0, 1], [0, -1], [1, 0], [-1, 0], [1, 1], [-1, 1], [1, -1], [-1, -1]] as const) {
    const at = { x: centre.x + dx * Math.max(0, room.x), y: centre.y + dy * Math.max(0, room.y) }
    const clear = cover.every((f) => at.x + half.x <= f.x || f.x + f.width <= at.x - half.x || at.y + half.y <= f.y || f.y + f.height <= at.y - half.y)
    if (clear && (!face.circle || (dx === 0 || dy === 0))) return { label: face.label, labelAt: at }
  }
  return { label: [], labelAt: centre }
}

/** Seen from the front of the bag: x to the right, y down; what lies wholly above the cut is outlined. */
export function plan(placed: readonly Placed[], scale: number, cut: number, names: (block: Placed) => string): Face[] {
  const drawn = faces(placed, [0, 1, 2], scale, names, (p) => p.at_mm[2]! >= cut, null)
  return [...drawn.filter((f) => !f.beyond), ...drawn.filter((f) => f.beyond)]
}

/** Cut along x at y: only what the cut goes through, the back of the bag at the foot. */
export function section(placed: readonly Placed[], room: RoomUse, scale: number, y: number, names: (block: Placed) => string): Face[] {
  const through = placed.filter((p) => p.at_mm[1]! <= y && y < p.at_mm[1]! + p.size_mm[1]!)
  return faces(through, [0, 2, 1], scale, names, () => false, room.size_mm[2]!)
}

/** The largest box found around a point that nothing lies in, dividers kept; null where something lies up to the front. */
export function roomAt(placed: readonly Placed[], room: RoomUse, gap: number, x: number, y: number): Free | null {
  const apart = room.divided ? gap : 0
  const grown = placed.map((p) => ({ low: p.at_mm.map((v) => v - apart), high: p.at_mm.map((v, k) => v + p.size_mm[k]! + apart) }))
  const over = (g: (typeof grown)[number]): boolean => g.low[0]! < x && x < g.high[0]! && g.low[1]! < y && y < g.high[1]!
  const floor = Math.max(0, ...grown.filter(over).map((g) => g.high[2]!))
  const top = room.size_mm[2]!
  if (floor >= top) return null
  const beside = grown.filter((g) => g.high[2]! > floor)
  const low: [number, number] = [0, 0]
  const high: [number, number] = [room.size_mm[0]!, room.size_mm[1]!]
  // First as far as it goes along one side, then along the other: two boxes, of which the larger is told.
  const grow = (first: 0 | 1): Free => {
    const lo: [number, number] = [...low]
    const hi: [number, number] = [...high]
    const point = [x, y]
    for (const k of [first, 1 - first]) {
      const other = 1 - k
      const span = k === first ? [point[other]!, point[other]!] : [lo[other]!, hi[other]!]
      for (const g of beside) {
        if (g.low[other]! >= span[1]! && !(span[0] === span[1] && g.low[other]! < span[0]!)) continue
        if (g.high[other]! <= span[0]!) continue
        if (g.high[k]! <= point[k]!) lo[k] = Math.max(lo[k]!, g.high[k]!)
        else if (g.low[k]! >= point[k]!) hi[k] = Math.min(hi[k]!, g.low[k]!)
      }
    }
    return { at: [lo[0], lo[1], floor], size: [hi[0] - lo[0], hi[1] - lo[1], top - floor] }
  }
  const found = [grow(0), grow(1)].sort((a, b) => volume(b.size) - volume(a.size))[0]!
  return Math.min(...found.size) > 0 ? found : null
}

function volume(size: readonly number[]): number {
  return size.reduce((a, b) => a * b, 1)
}

/** Whether a thing of these sides goes into a box, turned as it may. */
export function goesIn(sides: readonly number[], free: readonly number[]): boolean {
  const down = (list: readonly number[]): number[] => [...list].sort((a, b) => b - a)
  const box = down(free)
  return down(sides).every((side, k) => side <= box[k]!)
}

/** Sides of a thing in millimetres, longest first for boxes; nothing for what is soft. */
export function sidesOf(size: Thing['size']): number[] | null {
  if (size.shape === 'box') return [size.length_mm, size.width_mm, size.height_mm].sort((a, b) => b - a)
  return size.shape === 'cylinder' ? [size.length_mm, size.diameter_mm, size.diameter_mm] : null
}

export interface Silhouette {
  item: string
  kind: Kind
  x: number
  y: number
  width: number
  height: number
  round: boolean
}

/** Hard things side by side at one scale, lying on their largest face, in rows no wider than `wide` pixels. */
export function silhouettes(things: readonly Thing[], wide: number): { shapes: Silhouette[]; height: number } {
  const hard = [...new Map(things.map((t) => [t.id, t])).values()].flatMap((t) => {
    const sides = sidesOf(t.size)
    return sides ? [{ thing: t, long: sides[0]!, high: sides[1]! }] : []
  })
  const longest = Math.max(0, ...hard.map((h) => h.long))
  const scale = Math.min(0.35, longest ? wide / longest : 1)
  const shapes: Silhouette[] = []
  let [x, y, row] = [0, 0, 0]
  for (const { thing, long, high } of hard) {
    const width = long * scale
    if (x && x + width > wide) [x, y, row] = [0, y + row + GAP, 0]
    shapes.push({ item: thing.id, kind: thing.kind, x: x + 1, y: y + 1, width: Math.max(2, width - 2), height: Math.max(2, high * scale), round: thing.size.shape === 'cylinder' })
    x += width + GAP
    row = Math.max(row, high * scale + 2)
  }
  return { shapes, height: y + row + (shapes.length ? 1 : 0) }
}
/** Pixels between things that lie side by side. */
const GAP = 6
