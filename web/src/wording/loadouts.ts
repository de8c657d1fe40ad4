/** Loadouts: places, moves and changes, pure. */
import type { Edit, Entry, Loadout, Outing, Place, Shift } from '@/api/types'
import type { Names } from '@/composables/useBench'

type Who = Pick<Names, 'thing' | 'person'>

/** "Sling 6", "outside Ridge 32", "on Ines", "carried by Ines", "the base". */
export function placeName(place: Place | null | undefined, names: Who): string {
  if (!place) return 'the base'
  if (place.where === 'bag') return place.outside ? `outside ${names.thing(place.bag)}` : names.thing(place.bag)
  if (place.where === 'worn' && place.unplaced) return `no bag, on ${names.person(place.person)}`
  return place.where === 'worn' ? `on ${names.person(place.person)}` : `carried by ${names.person(place.person)}`
}
/** "LB-4 pack × 2: Cube, large → Sling 6". */
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
    // A line of the list of that day: the same thing at two places has two.
    return `${when}.${date}.${item}#${n}`
  }
  if (when === 'out') return (outing.kit.entries ?? []).map((e) => ({ line: line(e.item), head: names.thing(e.item) + times(e.count ?? 1), body: placeName(e.place, names) }))
  return outing.back.map((m) => ({ line: line(m.item), head: names.thing(m.item) + times(m.count), body: placeName(m.to_place, names) }))
}
/** What stays at the base, each with where it lies there; a bag lies where it is put. */
export function atTheBase(stays: Record<string, number>, entries: readonly Entry[], names: Who): string[] {
  return Object.entries(stays).map(([item, count]) => {
    const at = entries.find((e) => e.item === item)
    const what = names.thing(item) + times(count)
    return at && at.place.where !== 'piece' ? `${what} (${placeName(at.place, names)})` : what
  })
}
