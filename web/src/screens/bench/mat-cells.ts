/** From the locker to cells on the mat: pieces of a thing lie side by side, its label below. */
import type { Thing } from '@/api/types'
import { labelWidth } from '@/drawing/axis'
import { layOut, type Cell } from '@/drawing/mat'
import { draw, type Drawn } from '@/drawing/shapes'
import { type Group, groupOf, GROUPS } from '@/wording/kinds'

const GAP = 10
const LINE_HEIGHT = 13
const WIDEST_LABEL = 84
/** More pieces than this are drawn as a pile with a number. */
export const MOST_DRAWN = 6

export interface MatThing {
  thing: Thing
  drawn: Drawn
  /** Pieces drawn; the rest is told by the label. */
  pieces: number
  label: string
}

/** Optics in the order of a bag, lenses from wide to long; within other kinds as they came. */
function rank(thing: Thing): number {
  const group = GROUPS.indexOf(groupOf(thing.kind)) * 10_000
  if (thing.kind === 'body') return group
  if (thing.kind === 'lens') return group + 100 + thing.focal_min_mm
  return group + 5_000
}

/** Bags last: they are the largest, and everything else is decided first. */
function order(a: Thing, b: Thing): number {
  const bag = (t: Thing): number => (groupOf(t.kind) === 'carry' ? 1 : 0)
  return bag(a) - bag(b) || rank(a) - rank(b)
}

export function matThings(things: Iterable<Thing>, groups: readonly Group[] | null, find: string): MatThing[] {
  const wanted = find.trim().toLowerCase()
  return [...things]
    .filter((t) => !groups || groups.includes(groupOf(t.kind)))
    .filter((t) => !wanted || t.name.toLowerCase().includes(wanted))
    .sort(order)
    .map((thing) => ({
      thing,
      drawn: draw(thing),
      pieces: Math.min(thing.count ?? 1, MOST_DRAWN),
      label: thing.name,
    }))
}

/** Offset of each further piece in pixels: side by side when small, a fanned pile when large. */
export function pieceStep(drawn: Drawn, pieces: number, scale: number): number {
  const w = drawn.width * scale
  return pieces > 1 ? Math.min(w + 4, Math.max(12, 150 / pieces)) : 0
}

export function cellOf(one: MatThing, scale: number): Cell {
  const w = drawnWidth(one, scale)
  const text = labelWidth(one.label, 11.5) + 4
  const width = Math.max(w, Math.min(WIDEST_LABEL, text), 50)
  const lines = (text > width ? 2 : 1) + 1
  return { id: one.thing.id, width: width + GAP, height: one.drawn.height * scale + lines * LINE_HEIGHT + GAP }
}

export function drawnWidth(one: MatThing, scale: number): number {
  return one.drawn.width * scale + pieceStep(one.drawn, one.pieces, scale) * (one.pieces - 1)
}

/** Things side by side in so much room: where each lies, and how far apart its pieces. */
export function lay(things: readonly MatThing[], scale: number, room: number) {
  const layout = layOut(things.map((one) => cellOf(one, scale)), room)
  return {
    height: layout.height,
    cells: layout.cells.map((cell, index) => ({ ...cell, one: things[index]!, step: pieceStep(things[index]!.drawn, things[index]!.pieces, scale) })),
  }
}
