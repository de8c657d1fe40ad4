/** What things are called, and under which heading they stand. */
import type { Aid, Kind, PieceKind, Source } from '@/api/types'

export const KIND: Record<Kind, string> = {
  body: 'Body',
  lens: 'Lens',
  teleconverter: 'Teleconverter',
  'mount-adapter': 'Mount adapter',
  filter: 'Filter',
  'step-ring': 'Step ring',
  'filter-holder': 'Filter holder',
  battery: 'Battery',
  charger: 'Charger',
  'power-bank': 'Power bank',
  card: 'Card',
  reader: 'Reader',
  drive: 'Drive',
  computer: 'Laptop, tablet, phone',
  link: 'Hub, cable, plug',
  tripod: 'Tripod',
  'other-support': 'Other support',
  head: 'Tripod head',
  plate: 'Plate',
  light: 'Light',
  sound: 'Sound',
  remote: 'Remote',
  drone: 'Drone',
  bag: 'Bag',
  insert: 'Insert',
  safety: 'Safety',
  other: 'Other item',
}

export type Group = 'optics' | 'filters' | 'power' | 'cards' | 'support' | 'light-sound' | 'carry' | 'safety' | 'other'

export const GROUP: Record<Group, string> = {
  optics: 'Optics',
  filters: 'Filters',
  power: 'Power',
  cards: 'Cards and copies',
  support: 'Support',
  'light-sound': 'Light, sound, drone',
  carry: 'Bags',
  safety: 'Safety',
  other: 'Care and other',
}

export const GROUPS = Object.keys(GROUP) as Group[]
/** What a list of gear can be narrowed to. */
export const GROUP_TABS: { name: Group | null; title: string }[] = [{ name: null, title: 'all' }, ...GROUPS.map((name) => ({ name, title: GROUP[name].toLowerCase() }))]

const BY_KIND: Record<Kind, Group> = {
  body: 'optics',
  lens: 'optics',
  teleconverter: 'optics',
  'mount-adapter': 'optics',
  filter: 'filters',
  'step-ring': 'filters',
  'filter-holder': 'filters',
  battery: 'power',
  charger: 'power',
  'power-bank': 'power',
  card: 'cards',
  reader: 'cards',
  drive: 'cards',
  computer: 'cards',
  link: 'cards',
  tripod: 'support',
  'other-support': 'support',
  head: 'support',
  plate: 'support',
  light: 'light-sound',
  sound: 'light-sound',
  remote: 'light-sound',
  drone: 'light-sound',
  bag: 'carry',
  insert: 'carry',
  safety: 'safety',
  other: 'other',
}

export function groupOf(kind: Kind): Group {
  return BY_KIND[kind]
}

export const SOURCE: Record<NonNullable<Source>, string> = {
  measured: 'weighed',
  stated: 'stated',
  typical: 'typical',
  computed: 'computed',
}

export const PIECE: Record<PieceKind, string> = {
  cabin: 'Cabin bag',
  personal: 'Personal item',
  hold: 'Hold bag',
}

export const ABSENCE: Record<string, string> = {
  'in-post': 'in the post',
  'hired-later': 'hired, not picked up yet',
  'on-loan': 'on loan',
  charging: 'charging',
  'in-use': 'in use',
  'at-service': 'at service',
}

/** Shapes of wall plugs that exist, by the letters of the IEC's list, with where they are common. */
const SHAPES: Record<string, string> = {
  A: 'two flat pins',
  B: 'two flat pins and a round one',
  C: 'two thin round pins',
  D: 'three round pins in a triangle',
  E: 'two round pins, earth pin in the socket',
  F: 'two round pins, earth clips',
  G: 'three rectangular pins',
  H: 'three pins, a slanted pair',
  I: 'two slanted flat pins',
  J: 'three round pins, one offset',
  K: 'two round pins and a half-round one',
  L: 'three round pins in a row',
  M: 'three large round pins',
  N: 'three round pins, one a little offset',
  O: 'three round pins, two close by',
}
export const PLUG_SHAPES = Object.entries(SHAPES).map(([value, what]) => ({ value, title: `${value}: ${what}` }))

/** What a want may ask for beside glass and filters. */
export const AIDS: Record<Aid, string> = { light: 'a light', sound: 'sound', drone: 'a drone', housing: 'a housing', remote: 'a remote' }
