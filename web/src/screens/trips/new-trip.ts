/** A new trip from the few things asked first. */
import type { Trip } from '@/api/types'
import { addDays } from '@/format/dates'

/** Where the nights are: what a usual one of that sort gives (estimates; each can be told by itself at Stamina). */
export const NIGHTS = {
  room: { title: 'a hotel or house: 8 h of 2 outlets', night: { mains_h: 8, outlets: 2, car_h: 0 } },
  hut: { title: 'a hut: 2 h of 1 outlet', night: { mains_h: 2, outlets: 1, car_h: 0 } },
  tent: { title: 'a tent: no mains', night: { mains_h: 0, outlets: 0, car_h: 0 } },
  car: { title: 'a car or boat: 3 h of its socket', night: { mains_h: 0, outlets: 0, car_h: 3 } },
} as const
export type Nights = keyof typeof NIGHTS

export interface TripWish {
  name: string
  place: string
  start: string
  days: number
  people: string
  /** Empty where nobody says yet. */
  nights: Nights | ''
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
export const NEW_BRIEF: Pick<Trip, 'purpose' | 'stakes' | 'local_rules' | 'policies' | 'marks' | 'stamina' | 'signs' | 'sets' | 'note'> = {
  purpose: '',
  stakes: 'leisure',
  local_rules: [],
  policies: { lenses: 'any', gaps: 'allowed', second_body: 'any', cabin: 'comply' },
  marks: { must_take: [], must_leave: [], slots: [] },
  // Empty on purpose: the core knows what is usual, sort of day by sort of day.
  stamina: {} as Trip['stamina'],
  // Undefined on purpose, too: the core has the usual ones.
  sets: undefined as unknown as Trip['sets'],
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
      ...(wish.nights && { night: { ...NIGHTS[wish.nights].night } }),
    })),
    wants: [],
    ...NEW_BRIEF,
  }
}
