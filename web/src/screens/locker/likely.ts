/** What things of a kind usually weigh: a figure far outside is questioned before it is kept, never refused. Pure. */
import type { Kind, Thing } from '@/api/types'

/** Least and most grams of one piece that nobody would ask about (estimates, from toys to the largest that are carried). */
const LIKELY_G: Partial<Record<Kind, [number, number]>> = {
  body: [90, 2_500],
  lens: [40, 6_500],
  teleconverter: [60, 700],
  'mount-adapter': [20, 800],
  filter: [3, 300],
  'step-ring': [1, 80],
  'filter-holder': [15, 600],
  battery: [8, 1_500],
  charger: [20, 1_500],
  'power-bank': [50, 1_500],
  card: [0.2, 40],
  reader: [5, 400],
  drive: [10, 1_500],
  computer: [120, 4_500],
  link: [3, 1_000],
  tripod: [150, 6_000],
  'other-support': [30, 4_000],
  head: [60, 3_500],
  plate: [10, 400],
  bag: [60, 9_000],
  insert: [30, 3_000],
  light: [15, 4_000],
  sound: [5, 2_500],
  remote: [5, 500],
  drone: [150, 6_000],
}

/** Why a mass is to be looked at again; nothing where it is as usual. */
export function doubtful(thing: Pick<Thing, 'kind' | 'mass_g'>): 'light' | 'heavy' | null {
  const range = LIKELY_G[thing.kind]
  if (!range) return null
  if (thing.mass_g < range[0]) return 'light'
  return thing.mass_g > range[1] ? 'heavy' : null
}
