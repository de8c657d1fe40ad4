/** Where things lie and why some do not, in words. */
import type { Alternative, LeftOver, Placed, RoomUse, Slot, Stowage, Thing as Gear } from '@/api/types'
import * as fmt from '@/format/units'
import { day } from '@/format/dates'
import { ABSENCE } from './kinds'
import { many } from './parts'

type Thing = (id: string) => string

export const REACH = { quick: 'quick: bag stays on your back', open: 'easy: one zip', deep: 'buried under other gear' } as const
export const SORT = { main: 'main', pocket: 'pocket', sleeve: 'sleeve' } as const

/** "Corrie C1 with Tarn 24–70", "LB-4, 3". */
export function blockName(block: Pick<Placed, 'items' | 'count' | 'number'>, thing: Thing): string {
  const names = block.items.map(thing).join(' + ')
  const piece = block.number ? ` no. ${block.number}` : ''
  return `${names}${block.count > 1 ? ` × ${block.count}` : piece}`
}
/** "Ridge 32, main". A bag with one space has no name for it. */
export function roomName(room: Pick<RoomUse, 'bag' | 'compartment' | 'name'>, thing: Thing): string {
  return room.compartment === null ? thing(room.bag) : `${thing(room.bag)}, ${room.name.toLowerCase()}`
}
const WHY: Record<LeftOver['why'], (bag: string) => string> = {
  'too-large': (bag) => `is larger than every space in ${bag}`,
  'no-room': (bag) => `has no room in ${bag}`,
  'no-time': (bag) => `has no place in ${bag} yet`,
  pins: (bag) => `has no room in ${bag} because of pinned items`,
  straps: (bag) => `has no strap left on ${bag}`,
  'never-hold': () => 'never goes in the hold',
  stays: (bag) => `has no room in ${bag} beside the items there`,
  'strap-length': (bag) => `is too long for the straps of ${bag}`,
}
/** "Filter pouch finds no room in Ridge 32 (proved)." */
export function leftHead(over: LeftOver, thing: Thing): string {
  const count = over.count > 1 ? ` × ${over.count}` : ''
  if (over.why === 'stays') return `${thing(over.item)}${count} ${WHY.stays(thing(over.bag))}.`
  return `${thing(over.item)}${count} ${WHY[over.why](thing(over.bag))} (${over.proof === 'proved' ? 'proved' : 'time ran out before everything was tried'}).`
}
/** "Long or high: Drone would fit, too." */
export function alternativeText(one: Alternative, slots: readonly Slot[], thing: Thing): string {
  const slot = slots.find((s) => s.id === one.slot)?.name ?? one.slot
  return one.fits ? `${slot}: ${thing(one.item)} would fit, too.` : `▲ ${slot}: ${thing(one.item)} does not fit in the place of ${thing(one.instead_of)}.`
}
/** "hired, here from 12 February". */
export function awayText(gear: Gear | undefined): string {
  if (!gear?.absent) return ''
  const until = gear.absent.until
  return `${ABSENCE[gear.absent.reason] ?? 'away'}${until ? `, here from ${day(until)}` : ''}`
}
/** Which third of a space something lies in: "low, at the back". */
export function corner(placed: Placed, room: RoomUse): string {
  const part = (axis: number, words: [string, string, string]): string => {
    const middle = placed.at_mm[axis]! + placed.size_mm[axis]! / 2
    return words[Math.min(2, Math.floor((3 * middle) / room.size_mm[axis]!))]!
  }
  const across = part(1, ['left', 'middle', 'right'])
  return `${part(0, ['low', 'halfway up', 'high'])}, ${across}, ${part(2, ['at the back', 'halfway out', 'at the front'])}`
}
/** What must come out first. */
export function reach(placed: Placed, room: RoomUse): string {
  if (placed.layer) return `${many(placed.layer, 'item')} on top`
  return `nothing on top, ${room.access === 'deep' ? 'buried deep in the bag' : REACH[room.access]}`
}
/** "12 mm below the middle, 3 mm left of it". */
export function balance(room: RoomUse): string {
  if (!room.balance_mm) return ''
  const [up, across] = room.balance_mm
  const side = Math.abs(across) < 1 ? 'in the middle' : `${fmt.figure(Math.abs(across))} mm ${across < 0 ? 'left' : 'right'}`
  return `${fmt.figure(Math.abs(up))} mm ${up <= 0 ? 'below' : 'above'} the middle, ${side}`
}
export interface Find {
  item: string
  where: string
  room: string | null
  block: string | null
}
/** Where a thing is, for every piece of it that is packed. */
export function findThing(stowage: Stowage, query: string, thing: Thing): Find[] {
  const wanted = query.trim().toLowerCase()
  if (!wanted) return []
  const rooms = new Map(stowage.rooms.map((room) => [room.room, room]))
  const hit = (item: string): boolean => thing(item).toLowerCase().includes(wanted)
  const hard = stowage.placed.flatMap((p) => {
    const room = rooms.get(p.room)
    return room && p.items.some(hit) ? [{ item: blockName(p, thing), where: `${roomName(room, thing)} › ${corner(p, room)} › ${reach(p, room)}`, room: p.room, block: p.block }] : []
  })
  const soft = stowage.soft.flatMap((s) => {
    const room = rooms.get(s.room)
    return room && hit(s.item) ? [{ item: thing(s.item), where: `${roomName(room, thing)} › soft, in the remaining room`, room: s.room, block: null }] : []
  })
  const out = stowage.strapped.filter((s) => hit(s.item)).map((s) => ({ item: thing(s.item), where: `strapped outside ${thing(s.bag)}`, room: null, block: null }))
  return [...hard, ...soft, ...out].slice(0, 8)
}
