/** A new trip from the few things asked first. */
import type { Day, Trip, Want } from '@/api/types'
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
  /** The coldest it gets while shooting, in °C; none where nobody says yet. */
  coldest?: number | null
  wants?: Want[]
  /** Ids of carriers, in the order of the journey, and what each is called. */
  legs?: { carrier: string | null; name: string }[]
  /** A trip whose days and habits it begins with. */
  pattern?: Trip | null
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
export const NEW_BRIEF: Pick<Trip, 'purpose' | 'stakes' | 'local_rules' | 'policies' | 'marks' | 'stamina' | 'pace' | 'signs' | 'sets' | 'note'> = {
  purpose: '',
  stakes: 'leisure',
  local_rules: [],
  policies: { lenses: 'any', gaps: 'allowed', second_body: 'any', cabin: 'comply' },
  marks: { must_take: [], must_leave: [], slots: [] },
  // Empty on purpose: the core knows what is usual, sort of day by sort of day.
  stamina: {} as Trip['stamina'],
  pace: {} as Trip['pace'],
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
  const wants = [...(wish.pattern?.wants ?? []), ...(wish.wants ?? [])].reduce<Want[]>((all, want) => {
    const id = all.some((w) => w.id === want.id) ? idFrom(want.id, all.map((w) => w.id)) : want.id
    return [...all, { ...want, id }]
  }, [])
  const legs = (wish.legs ?? []).reduce<NonNullable<Trip['legs']>>(
    (all, leg) => [...all, { id: idFrom('leg', all.map((l) => l.id)), name: leg.name, carrier: leg.carrier }],
    [],
  )
  const before = wish.pattern?.days ?? []
  return {
    id: 'new',
    name: wish.name,
    place: wish.place,
    status: 'planned',
    people: people.map((p) => ({ ...p, body_mass_kg: null, base_load: [] })),
    legs: legs.length ? legs : (wish.pattern?.legs ?? []),
    days: Array.from({ length: wish.days }, (_, i) => {
      // A longer trip goes on as its pattern ends.
      const like: Partial<Day> = before[Math.min(i, before.length - 1)] ?? {}
      return {
        title: `Day ${i + 1}`,
        lowest_c: 15,
        on_foot_h: 0,
        weather: [],
        wants: [],
        ...like,
        date: addDays(wish.start, i),
        place: wish.place || like.place || '',
        bodies: [],
        ...(typeof wish.coldest === 'number' && { lowest_c: wish.coldest }),
        ...(wish.nights && { night: { ...NIGHTS[wish.nights].night } }),
      }
    }),
    wants,
    ...NEW_BRIEF,
    ...(wish.pattern && { purpose: wish.pattern.purpose, stakes: wish.pattern.stakes, policies: wish.pattern.policies }),
  }
}
