/** Sets of bags as silhouettes with the kit in them: seen from the front, the bottom of each bag down, all to one scale. */
import type { BagSet, Placed, RoomUse, Thing } from '@/api/types'

export interface SilhouetteFace {
  block: string
  items: readonly string[]
  x: number
  y: number
  width: number
  height: number
}
export interface Silhouette {
  bag: string
  /** Outside, in mm. */
  width: number
  height: number
  /** In mm from the corner at the top left, what lies nearest to the front last. */
  faces: SilhouetteFace[]
  /** Room that soft things take, as a band over the rest of the largest space; height 0 where there are none. */
  soft: { x: number; y: number; width: number; height: number }
}

/** How tall and wide a bag is drawn: its longest side up. */
export function outline(thing: Thing | undefined): { width: number; height: number } {
  const size = thing?.size
  if (!size) return { width: 0, height: 0 }
  if (size.shape === 'box') return { width: size.width_mm, height: size.length_mm }
  if (size.shape === 'cylinder') return { width: size.diameter_mm, height: size.length_mm }
  // A soft bag by its litres, half as wide as tall.
  const height = Math.cbrt(size.volume_l * 1e6 * 4)
  return { width: height / 2, height }
}

interface Laid {
  placed: Placed
  /** mm up from the bottom, mm across. */
  up: number
  across: number
  tall: number
  wide: number
  front: number
}

function laid(placed: readonly Placed[]): Laid[] {
  return placed.map((p) => ({ placed: p, up: p.at_mm[0]!, across: p.at_mm[1]!, tall: p.size_mm[0]!, wide: p.size_mm[1]!, front: p.at_mm[2]! + p.size_mm[2]! }))
}

/** What lies in an insert, where the insert lies in its bag: turned as it is, in the middle of it. */
function within(insert: Laid, room: RoomUse, placed: readonly Placed[]): Laid[] {
  const [up, across, out] = insert.placed.turn as [number, number, number]
  const edge = (axis: number, outer: number): number => (outer - room.size_mm[axis]!) / 2
  return placed.map((p) => ({
    placed: p,
    up: insert.up + edge(up, insert.tall) + p.at_mm[up]!,
    across: insert.across + edge(across, insert.wide) + p.at_mm[across]!,
    tall: p.size_mm[up]!,
    wide: p.size_mm[across]!,
    front: insert.placed.at_mm[2]! + p.at_mm[out]! + p.size_mm[out]!,
  }))
}

/** The largest space of a bag is drawn; pockets and sleeves lie in front and behind. */
export function silhouette(set: Pick<BagSet, 'stowage'>, bag: string, things: ReadonlyMap<string, Thing>): Silhouette {
  const size = outline(things.get(bag))
  const { rooms, placed, soft } = set.stowage
  const main = rooms.filter((r) => r.bag === bag).sort((a, b) => b.litres - a.litres)[0]
  if (!main) return { bag, ...size, faces: [], soft: { x: 0, y: 0, width: 0, height: 0 } }
  const here = laid(placed.filter((p) => p.room === main.room))
  const inserts = here.filter((one) => things.get(one.placed.items[0]!)?.kind === 'insert')
  const inside = inserts.flatMap((one) => {
    const room = rooms.find((r) => r.bag === one.placed.items[0])
    return room ? within(one, room, placed.filter((p) => p.room === room.room)) : []
  })
  const side = (size.width - main.size_mm[1]!) / 2
  const foot = (size.height - main.size_mm[0]!) / 2
  const face = (one: Laid): SilhouetteFace => ({
    block: one.placed.block,
    items: one.placed.items,
    x: side + one.across,
    y: size.height - foot - one.up - one.tall,
    width: one.wide,
    height: one.tall,
  })
  // An insert is behind what lies in it.
  const nearness = (one: Laid): number => (inserts.includes(one) ? one.placed.at_mm[2]! : one.front)
  const nearestLast = [...here, ...inside].sort((a, b) => nearness(a) - nearness(b))
  const litres = soft.filter((s) => s.room === main.room).reduce((sum, s) => sum + s.litres, 0)
  const tall = Math.min(main.size_mm[0]!, (litres * 1e6) / (main.size_mm[1]! * main.size_mm[2]!))
  return { bag, ...size, faces: nearestLast.map(face), soft: { x: side, y: foot, width: main.size_mm[1]!, height: tall } }
}
