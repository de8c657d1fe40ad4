/** Dividers as walls, seen from the front and cut along a line; and the lines that make a thing's face. */
import type { Placed, RoomUse, Thing } from '@/api/types'
import { draw, type Stroke } from './shapes'
import type { Face } from './stow'

export interface Wall {
  x: number
  y: number
  width: number
  height: number
  /** Length of the divider in millimetres. */
  length: number
}

type Divided = Pick<RoomUse, 'dividers' | 'size_mm'>

/** Seen from the front: x to the right, y down. */
export function walls(room: Divided, scale: number): Wall[] {
  return (room.dividers ?? []).map((d) => {
    const across = { at: d.at_mm * scale, thick: d.thick_mm * scale }
    const along = { from: d.from_mm * scale, long: d.length_mm * scale }
    return d.across === 'x' ? { x: across.at, y: along.from, width: across.thick, height: along.long, length: d.length_mm } : { x: along.from, y: across.at, width: along.long, height: across.thick, length: d.length_mm }
  })
}

/** Cut along x at y: as deep as the space, where the line goes through them. */
export function wallsCut(room: Divided, scale: number, y: number): Wall[] {
  const deep = room.size_mm[2]! * scale
  return walls(room, scale)
    .filter((w) => w.y <= y * scale && y * scale < w.y + w.height)
    .map((w) => ({ ...w, y: 0, height: deep }))
}

export interface Feature {
  d: string
  role: Stroke['role']
  transform: string
}

/** Sides are rounded up to whole millimetres. */
const SAME_MM = 2
const near = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MM

/** What the mat draws of a thing, laid on a face of it; nothing where that is another side of the thing, or several lie
 * there as one. A round thing seen along its axis has a rim. */
export function features(placed: Placed, thing: Thing | undefined, face: Face, scale: number): Feature[] {
  if (!thing || placed.count > 1 || placed.items.length > 1) return []
  if (face.circle) {
    const r = Math.min(face.width, face.height) / 2
    const [cx, cy] = [face.x + face.width / 2, face.y + face.height / 2]
    return [0.86, 0.62].map((part) => ({ d: `M${cx - r * part} ${cy}a${r * part} ${r * part} 0 1 0 ${2 * r * part} 0a${r * part} ${r * part} 0 1 0 ${-2 * r * part} 0z`, role: 'detail', transform: '' }))
  }
  const drawn = draw(thing)
  const [wide, high] = [face.width / scale, face.height / scale]
  const upright = near(wide, drawn.width) && near(high, drawn.height)
  const lying = near(wide, drawn.height) && near(high, drawn.width)
  if (!upright && !lying) return []
  const transform = upright ? `translate(${face.x} ${face.y}) scale(${face.width / drawn.width} ${face.height / drawn.height})` : `translate(${face.x} ${face.y + face.height}) rotate(-90) scale(${face.height / drawn.width} ${face.width / drawn.height})`
  return drawn.strokes.map((stroke) => ({ ...stroke, transform }))
}
