/** Loadouts: places, moves and changes, pure. */
import type { Edit, Entry, Loadout, Place, Shift } from '@/api/types'
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
