/** Where a thing may travel: the places to choose from, with a key for each. Pure. */
import type { Entry, Place, Thing, Trip } from '@/api/types'
import { PIECE } from './kinds'

export interface Choice {
  title: string
  place: Place
}

/** On somebody because somebody said so. */
export function onPerson(person: string): Place {
  return { where: 'worn', person, unplaced: false }
}
export function inBag(bag: string, outside = false): Place {
  return { where: 'bag', bag, outside }
}
export function placeKey(place: Place): string {
  if (place.where === 'bag') return `bag ${place.bag} ${place.outside ?? false}`
  return place.where === 'worn' ? `worn ${place.person}` : `piece ${place.piece} ${place.person}`
}
type Things = ReadonlyMap<string, Thing>
type Entries = ReadonlyMap<string, readonly Entry[]>

/** The loaded bags and inserts, inside and out, but those of ``but``. */
export function holders(things: Things, entries: Entries, but: ReadonlySet<string> = new Set()): Choice[] {
  return [...entries.keys()].flatMap((id) => {
    const holder = things.get(id)
    if (but.has(id) || (holder?.kind !== 'bag' && holder?.kind !== 'insert')) return []
    const inside = { title: `in ${holder.name}`, place: inBag(id) }
    return holder.kind === 'bag' ? [inside, { title: `strapped outside ${holder.name}`, place: inBag(id, true) }] : [inside]
  })
}
/** Where things that are no bags may be put: in what holds things, or on whoever travels. */
export function places(things: Things, entries: Entries, people: NonNullable<Trip['people']>, but?: ReadonlySet<string>): Choice[] {
  return [...holders(things, entries, but), ...people.map((p) => ({ title: `on ${p.name}: pockets, neck, belt`, place: onPerson(p.id) }))]
}
/** Where one thing may go: a bag as a piece of luggage or in another, all else in a bag or on somebody. */
export function placesFor(thing: Thing, things: Things, entries: Entries, people: NonNullable<Trip['people']>): Choice[] {
  const but = new Set([thing.id])
  if (thing.kind !== 'bag') return places(things, entries, people, but)
  const inside = holders(things, entries, but)
  const kinds = Object.keys(PIECE) as (keyof typeof PIECE)[]
  return [...people.flatMap((p) => kinds.map((piece) => ({ title: `${PIECE[piece]} of ${p.name}`, place: { where: 'piece' as const, piece, person: p.id } }))), ...inside]
}
