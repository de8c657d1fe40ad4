/** How a space is divided, what moved in it, and how bags hang on a person, in words. */
import type { Divider, OnPerson, RoomUse, Stowage, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { roomName } from './stow'

type Thing = (id: string) => string

function series(parts: readonly string[]): string {
  return parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
}
/** A divider that cuts the way up is measured from the foot of the bag, one that cuts the way across from its left. */
const FROM = { x: 'from the foot', y: 'from the left' } as const

function alike(dividers: readonly Divider[]): Divider[][] {
  const groups = new Map<string, Divider[]>()
  for (const one of dividers) {
    const key = `${one.across} ${one.length_mm}`
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups.values()].sort((a, b) => b[0]!.length_mm - a[0]!.length_mm)
}
/** "2 of 39 cm, at 9.6 and 21.4 cm from the foot" for the long ones, "3 of 12 cm" for the short ones. */
export function dividerLines(room: Pick<RoomUse, 'dividers'>, units: Units): string[] {
  const all = room.dividers ?? []
  const long = alike(all.filter((d) => d.long)).map((same) => {
    const at = [...same].sort((a, b) => a.at_mm - b.at_mm).map((d) => fmt.side(d.at_mm, units))
    return `${same.length} long, ${fmt.side(same[0]!.length_mm, units)}, at ${series(at)} ${FROM[same[0]!.across]}`
  })
  const shorts = all.filter((d) => !d.long)
  const short = alike(shorts).map((same) => `${same.length} of ${fmt.side(same[0]!.length_mm, units)}`)
  return shorts.length ? [...long, `${shorts.length} short: ${series(short)}`] : long
}
/** Whether the dividers that it came with do. */
export function enoughText(room: Pick<RoomUse, 'dividers' | 'came_with'>): string {
  if (room.came_with == null) return ''
  const missing = (room.dividers ?? []).length - room.came_with
  return missing > 0 ? `▲ It came with ${room.came_with}: ${missing} more to get or to cut from foam.` : `It came with ${room.came_with}.`
}
/** How things lie in a space that has dividers. */
export function layoutText(room: RoomUse, gap: number): string {
  if (!room.divided) return 'None in this space.'
  if (room.layout === 'cells') return room.dividers?.length ? 'Grid of dividers: straight, as deep as the space.' : 'None needed for one thing or a stack.'
  if (room.layout === 'free') return `No grid of dividers holds all of this. Items stand free, with ${fmt.figure(gap)} mm between hard items: pad around each by hand.`
  return 'Nothing hard in here.'
}
/** "moves: LB-4, to Ridge 32, lid pocket". */
export function moves(stowage: Pick<Stowage, 'rooms' | 'moved'>, thing: Thing): string[] {
  const rooms = new Map(stowage.rooms.map((room) => [room.room, room]))
  const to = (id: string): string => {
    const room = rooms.get(id)
    return room ? roomName(room, thing) : 'elsewhere'
  }
  const away = (stowage.moved ?? []).filter((m) => m.from_room !== m.to_room)
  const within = (stowage.moved ?? []).filter((m) => m.from_room === m.to_room)
  const byRoom = new Map<string, string[]>()
  for (const one of within) byRoom.set(one.to_room, [...(byRoom.get(one.to_room) ?? []), thing(one.item)])
  return [...away.map((m) => `${thing(m.item)}, to ${to(m.to_room)}`), ...[...byRoom].map(([room, items]) => `within ${to(room)}: ${series([...new Set(items)])}`)]
}
export const RIDE = { back: 'on the back', front: 'in front', left: 'on the left', right: 'on the right' } as const
export const SIDE = { left: 'left', right: 'right', out: 'out front', top: 'on top', bottom: 'below' } as const
/** Less than this nobody feels. */
const FELT_G = 150

/** "9.4 kg on the back, 2.1 kg in front". */
export function ridesText(one: OnPerson, units: Units): string {
  const parts = [
    [one.back_g, RIDE.back],
    [one.front_g, RIDE.front],
    [one.left_g, RIDE.left],
    [one.right_g, RIDE.right],
  ] as const
  return parts.filter(([grams]) => grams > 0).map(([grams, where]) => `${fmt.load(grams, units)} ${where}`).join(', ')
}
/** "1.4 kg too much on the right, 5.7 cm off the middle". */
export function levelText(one: OnPerson, units: Units): string {
  if (Math.abs(one.level_g) < FELT_G) return 'level, left against right'
  const side = one.level_g > 0 ? 'right' : 'left'
  return `${fmt.load(Math.abs(one.level_g), units)} too much on the ${side}, ${fmt.side(Math.abs(one.right_mm), units)} off the middle`
}
/** "14 cm behind you". */
export function pullText(one: OnPerson, units: Units): string {
  return `${fmt.side(Math.abs(one.behind_mm), units)} ${one.behind_mm >= 0 ? 'behind' : 'in front of'} the middle of the body`
}
