/** Loadouts: places, moves and changes, pure. */
import type { Edit, Entry, Loadout, Outing, Place, Shift, Units } from '@/api/types'
import type { Names } from './names'
import { doorLine } from '@/field/lines'
import type { Standing } from '@/field/subjects'
import * as fmt from '@/format/units'

type Who = Pick<Names, 'thing' | 'person'>

/** "Sling 6", "outside Ridge 32", "on Ines", "carried by Ines", "the base". */
export function placeName(place: Place | null | undefined, names: Who): string {
  if (!place) return 'the base'
  if (place.where === 'bag') return place.outside ? `outside ${names.thing(place.bag)}` : names.thing(place.bag)
  if (place.where === 'worn' && place.unplaced) return `no bag, on ${names.person(place.person)}`
  return place.where === 'worn' ? `on ${names.person(place.person)}` : `carried by ${names.person(place.person)}`
}
/** "LB-4 battery × 2: Cube, large → Sling 6". */
export function moveText(move: Shift, names: Who): string {
  const count = move.count > 1 ? ` × ${move.count}` : ''
  return `${names.thing(move.item)}${count}: ${placeName(move.from_place, names)} → ${placeName(move.to_place, names)}`
}
/** The loadout with a thing somewhere else, or left at the base. A bag that is left takes what lies in it along. */
export function withPlace(loadout: Loadout, item: string, count: number, place: Place | null): Loadout {
  const others = (loadout.entries ?? []).filter((e) => e.item !== item)
  if (place) return { ...loadout, entries: [...others, { item, count, place }] }
  return { ...loadout, entries: others.filter((e) => e.place.where !== 'bag' || e.place.bag !== item) }
}
/** The same moves as on the bench, done in a loadout. */
export function edited(loadout: Loadout, edits: readonly Edit[], loaded: ReadonlyMap<string, number>): Loadout {
  return edits.reduce((made, edit) => (edit.act === 'move' ? withPlace(made, edit.item, loaded.get(edit.item) ?? 1, edit.place as Place) : made), loadout)
}
/** A first loadout to start from: the smallest bag that is carried, empty. */
export function fresh(loadouts: readonly Loadout[], bag: Entry | undefined): Loadout {
  const taken = new Set(loadouts.map((l) => l.id))
  const number = Array.from({ length: 21 }, (_, i) => i + 1).find((n) => !taken.has(`out-${n}`))!
  return { id: `out-${number}`, name: `Day out ${number}`, days: [], legs: [], mounts: [], entries: bag ? [{ item: bag.item, count: 1, place: bag.place }] : [] }
}

/** A line to tick on the way out or back in. */
export interface DoorLine {
  line: string
  head: string
  body: string
}
const times = (count: number): string => (count > 1 ? ` × ${count}` : '')
/** What goes out of the door on a day with where it is carried, or what comes back with where it lies at the base. */
export function doorList(when: 'out' | 'back', date: string, outing: Pick<Outing, 'kit' | 'back'>, names: Who): DoorLine[] {
  const seen = new Map<string, number>()
  const line = (item: string): string => {
    const n = (seen.get(item) ?? 0) + 1
    seen.set(item, n)
    return doorLine(when, date, item, n)
  }
  if (when === 'out') return (outing.kit.entries ?? []).map((e) => ({ line: line(e.item), head: names.thing(e.item) + times(e.count ?? 1), body: placeName(e.place, names) }))
  return outing.back.map((m) => ({ line: line(m.item), head: names.thing(m.item) + times(m.count), body: placeName(m.to_place, names) }))
}
/** A thing that could go along on a day, with the pieces that were planned to and those that do. */
export interface Along {
  item: string
  planned: number
  now: number
  /** Pieces on the trip. */
  most: number
}
/** What goes along and what stays, as it was changed on the way: what was planned to first. */
export function alongNow(date: string, outing: Pick<Outing, 'kit' | 'stays'>, stands: Pick<Standing, 'now'>): Along[] {
  const planned = new Map<string, number>()
  for (const e of outing.kit.entries ?? []) planned.set(e.item, (planned.get(e.item) ?? 0) + (e.count ?? 1))
  return [...new Set([...planned.keys(), ...Object.keys(outing.stays)])].map((item) => {
    const [out, most] = [planned.get(item) ?? 0, (planned.get(item) ?? 0) + (outing.stays[item] ?? 0)]
    const what = stands.now.get(`along:${date}.${item}`)?.what
    const said = what?.do === 'along' ? what.count : null
    return { item, planned: out, now: Math.min(most, said ?? out), most }
  })
}
/** The outing as it was changed on the way. What comes along in addition lies in its first bag; entries: of the whole kit, where it lay. */
export function changedOuting<T extends Pick<Outing, 'kit' | 'stays' | 'back'>>(outing: T, along: readonly Along[], entries: readonly Entry[]): T {
  const changes = new Map(along.filter((a) => a.now !== a.planned).map((a) => [a.item, a]))
  if (!changes.size) return outing
  const out = outing.kit.entries ?? []
  const bag = out.find((e) => e.place.where === 'piece')?.item
  const kept = fewer(out, changes)
  const more = [...changes.values()].filter((a) => a.now > a.planned).map((a): Entry => ({ item: a.item, count: a.now - a.planned, place: bag ? { where: 'bag', bag, outside: false } : entries.find((e) => e.item === a.item)!.place }))
  const back = [...fewer(outing.back, changes), ...more.map((e) => ({ item: e.item, count: e.count ?? 1, from_place: e.place, to_place: entries.find((o) => o.item === e.item)?.place ?? null }))]
  const stays = Object.fromEntries(along.filter((a) => a.most > a.now).map((a) => [a.item, a.most - a.now]))
  return { ...outing, kit: { ...outing.kit, entries: [...kept, ...more] }, back, stays }
}
/** Lines with the pieces that stay at the base taken out of them. */
function fewer<L extends { item: string; count?: number }>(lines: readonly L[], changes: ReadonlyMap<string, Along>): L[] {
  const over = new Map([...changes].map(([item, a]) => [item, Math.max(0, a.planned - a.now)]))
  return lines.flatMap((line) => {
    const taken = Math.min(over.get(line.item) ?? 0, line.count ?? 1)
    over.set(line.item, (over.get(line.item) ?? 0) - taken)
    return taken === (line.count ?? 1) ? [] : [{ ...line, count: (line.count ?? 1) - taken }]
  })
}
/** The changes as edits of the bag that was planned. */
export function asEdits(along: readonly Along[]): Edit[] {
  return along.flatMap((a): Edit[] => {
    if (a.now > a.planned) return [{ act: 'load', item: a.item, count: a.now - a.planned }]
    return a.now < a.planned ? [{ act: 'leave', item: a.item, count: a.planned - a.now }] : []
  })
}
/** "+1396 g Corrie 100–400", "−1190 g Stork carbon tripod" */
export function changeText(a: Along, massOf: (item: string) => number, names: Pick<Names, 'thing'>, units: Units): string {
  return `${fmt.massChange((a.now - a.planned) * massOf(a.item), units)} ${names.thing(a.item)}${times(Math.abs(a.now - a.planned))}`
}
/** What stays at the base, each with where it lies there; a bag lies where it is put. */
export function atTheBase(stays: Record<string, number>, entries: readonly Entry[], names: Who): string[] {
  return Object.entries(stays).map(([item, count]) => {
    const at = entries.find((e) => e.item === item)
    const what = names.thing(item) + times(count)
    return at && at.place.where !== 'piece' ? `${what} (${placeName(at.place, names)})` : what
  })
}
