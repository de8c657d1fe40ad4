/** A new trip from the few things asked first. */
import type { Trip } from '@/api/types'
import { addDays } from '@/format/dates'

export interface TripWish {
  name: string
  place: string
  start: string
  days: number
  people: string
}

/** An id from a name, single among those taken. */
export function idFrom(name: string, taken: readonly string[] = []): string {
  const base =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[\u0300-\u036f]/g, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 56) || 'one'
  let id = base
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`
  return id
}

/** How a trip is packed until somebody says otherwise. */
export const NEW_BRIEF: Pick<Trip, 'purpose' | 'stakes' | 'local_rules' | 'policies' | 'marks' | 'stamina' | 'signs' | 'note'> = {
  purpose: '',
  stakes: 'leisure',
  local_rules: [],
  policies: { lenses: 'any', gaps: 'allowed', second_body: 'any', cabin: 'comply' },
  marks: { must_take: [], must_leave: [], slots: [] },
  // Empty on purpose: the core knows what is usual, sort of day by sort of day.
  stamina: {} as Trip['stamina'],
  signs: { pack_ready: '', pack_spent: '', card_blank: '', card_full: '', card_copied: '' },
  note: '',
}

export function newTrip(wish: TripWish): Trip {
  const people: { id: string; name: string }[] = []
  for (const name of wish.people.split(/[,+&]| and /).map((n) => n.trim())) {
    if (name) people.push({ id: idFrom(name, people.map((p) => p.id)), name })
  }
  return {
    id: 'new',
    name: wish.name,
    place: wish.place,
    status: 'planned',
    people: people.map((p) => ({ ...p, body_mass_kg: null, base_load: [] })),
    legs: [],
    days: Array.from({ length: wish.days }, (_, i) => ({
      date: addDays(wish.start, i),
      title: `Day ${i + 1}`,
      place: wish.place,
      lowest_c: 15,
      on_foot_h: 0,
      weather: [],
      wants: [],
      bodies: [],
    })),
    wants: [],
    ...NEW_BRIEF,
  }
}
