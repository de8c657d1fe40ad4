/** Ways out in words: what to do, what it costs, and what stands then. */
import type { Names } from './names'
import type { Cure, CureCode, Edit, NoWay, ToGet, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT } from './completeness'
import { capital, listed, many, batteryOf } from './parts'

type Place = NonNullable<Extract<Edit, { act: 'move' }>['place']>
type Sort = Exclude<ToGet['what'], 'same'>
/** What is to be got of a sort: many sorts share the type that knows a label. */
type ToGetOf<W extends Sort> = W extends 'bag' | 'filter' | 'lens' ? Extract<ToGet, { what: W }> : Extract<ToGet, { label: string }>

/** Something to get, without its article; of what has a label there is "one". */
const GET: { [W in Sort]: (got: ToGetOf<W>, units: Units) => string } = {
  pack: (got) => batteryOf(got.label),
  charger: (got) => `charger for ${got.label}`,
  'usb-power': () => 'USB wall charger',
  card: (got) => `${got.label} card`,
  reader: (got) => `reader for ${got.label}`,
  wall: (got) => `plug adapter for ${got.label}`,
  head: () => 'tripod head',
  tripod: () => 'tripod with a head',
  cover: () => 'rain cover',
  plate: (got) => `${got.label} plate`,
  drive: () => 'drive for copies',
  'power-bank': () => 'power bank',
  lens: (got) => `lens that reaches ${fmt.focalRange(got.from_mm, got.to_mm)} at f/${fmt.figure(got.f_number, 1)}`,
  filter: (got) => `${got.thread_mm} mm ${EFFECT[got.effect] ?? 'filter'}${got.stops ? ` of ${got.stops} stops` : ''}`,
  light: () => 'light',
  sound: () => 'microphone',
  drone: () => 'drone',
  housing: () => 'underwater housing',
  remote: () => 'remote release',
  laptop: () => 'small laptop',
  lead: (got) => `lead with a ${got.label} plug`,
  refill: (got) => `refill of ${got.label}`,
  film: (got) => `roll of ${got.label} film`,
  safety: (got) => got.label,
  bag: (got, units) => `cabin bag of ${fmt.volume(got.volume_l, units)}`,
  'head-torch': () => 'head torch',
}
const NAMED: readonly ToGet['what'][] = ['pack', 'card', 'plate', 'filter']
export function gotText(got: ToGet, names: Names, units: Units): string {
  const what = got.what === 'same' ? names.thing(got.item) : (GET[got.what] as (got: ToGet, units: Units) => string)(got, units)
  if (got.count > 1) return `${got.count} × ${what}`
  return `${got.what === 'same' ? 'one more' : NAMED.includes(got.what) ? 'one' : 'a'} ${what}`
}

/** Names that know what a cure gets: it has none yet. */
export function namesAfter(cure: Cure, names: Names, units: Units): Names {
  return {
    ...names,
    thing: (id) => {
      const got = cure.gets.find((one) => one.id === id)
      return got ? capital(gotText({ ...got, count: 1 }, names, units)) : names.thing(id)
    },
  }
}

/** "2 × LB-4", "2 of LB-4" of what stays: nothing of one, or of all. */
function counted(edit: Edit, names: Names): string {
  const count = 'count' in edit ? (edit.count ?? 1) : 1
  if (edit.act === 'leave') return edit.count ? `${count} of ${names.thing(edit.item)}` : names.thing(edit.item)
  return `${count > 1 ? `${count} × ` : ''}${names.thing(edit.item)}`
}

const AS_PIECE = { cabin: (what: string) => `take ${what} overhead`, personal: (what: string) => `take ${what} under the seat`, hold: (what: string) => `check ${what} in` }
function moved(what: string, place: Place, code: CureCode, names: Names): string {
  if (place.where === 'piece') return code === 'hand-over' ? `hand ${what} to ${names.person(place.person)}` : AS_PIECE[place.piece](what)
  if (place.where === 'worn') return `carry ${what} on ${names.person(place.person)}`
  if (place.outside) return `strap ${what} to the outside of ${names.thing(place.bag)}`
  return code === 'take-off' ? `take ${what} off the outside, into ${names.thing(place.bag)}` : `move ${what} to ${names.thing(place.bag)}`
}

/** Taking one bag for another says so once, not thing by thing. */
function swapped(cure: Cure, names: Names): { clause: string; rest: Edit[] } | null {
  const edits = cure.edits
  const [first] = edits
  const old = edits.find((edit) => edit.act === 'leave')
  if (cure.code !== 'swap-bag' || first?.act !== 'load' || !old) return null
  const into = (edit: Edit) => edit.act === 'move' && edit.place.where === 'bag' && edit.place.bag === first.item
  return { clause: `take ${names.thing(first.item)} instead of ${names.thing(old.item)}, with everything in it`, rest: edits.filter((edit) => edit !== first && edit !== old && !into(edit)) }
}

function acts(cure: Cure, names: Names, units: Units): string[] {
  const swap = swapped(cure, names)
  const edits = swap?.rest ?? cure.edits
  const clauses = swap ? [swap.clause] : []
  const loads = edits.filter((edit) => edit.act === 'load').map((edit) => counted(edit, names))
  const leaves = edits.filter((edit) => edit.act === 'leave').map((edit) => counted(edit, names))
  if (loads.length) clauses.push(`load ${listed(loads)}`)
  if (leaves.length) clauses.push(`leave ${listed(leaves)}`)
  const places = new Map<string, { place: Place; moved: string[] }>()
  for (const edit of edits) {
    if (edit.act !== 'move') continue
    const at = JSON.stringify(edit.place)
    places.set(at, { place: edit.place, moved: [...(places.get(at)?.moved ?? []), counted(edit, names)] })
  }
  for (const { place, moved: things } of places.values()) clauses.push(moved(listed(things), place, cure.code, names))
  const gets = cure.gets.map((got) => gotText(got, names, units))
  if (gets.length) clauses.push(`buy, rent or borrow ${listed(gets)}`)
  return clauses
}

/** Ways of working: nothing is loaded, moved or left. */
function wayOfWorking(cure: Cure): string {
  switch (cure.code) {
    case 'crop-mode':
      return `${cure.crop}× crop mode reaches ${fmt.focal(cure.to_mm)} mm with ${fmt.figure(cure.megapixels)} MP left`
    case 'stitch':
      return `${cure.frames} stitched frames see as wide as ${fmt.focal(cure.to_mm)} mm`
    case 'power-bank-by-day':
      return 'Top up from a power bank in the bag by day: enough for every day'
    case 'power-charge-nightly':
      return 'Charge every night: enough for every day'
    case 'power-usb-c':
      return 'Charge in the cameras over USB-C: enough for every day'
    case 'power-packs-only':
      return 'Do not charge at all: the batteries last'
    case 'erase-after':
      return `Erase each card once you have ${many(cure.copies, 'copy', 'copies')}: then the cards last`
    case 'few-big':
      return 'Fill each card before you change it: then the cards last'
    case 'at-base':
      return `Leave it at the base on ${cure.days === 1 ? 'that day' : `those ${cure.days} days`}`
    default:
      return ''
  }
}
/** What is to be added to what is done. */
function and(cure: Cure): string {
  if (cure.code === 'load-may-pass') return '; it may be allowed, so ask there'
  return cure.code === 'load-partly' ? `; the shot is then ${fmt.percent(cure.cover_after)} covered` : ''
}

/** A cure as an action with its price; it is a button when it has edits, a hint otherwise. */
export function cureText(cure: Cure, names: Names, units: Units): string {
  const done = acts(cure, names, units)
  const what = done.length ? capital(done.join('; ')) + and(cure) : wayOfWorking(cure)
  const change = cure.mass_change_g
  const moved_g = 'moved_g' in cure ? cure.moved_g : 0
  const mass = !change && moved_g ? fmt.mass(moved_g, units) : `${cure.gets.length ? 'about ' : ''}${fmt.massChange(change, units)}`
  return `${what} (${mass}${onWhom(cure, names, units)}${cure.points ? `, brief −${fmt.figure(cure.points, 1)} %` : ''}${days(cure.power_days)})`
}

/** On whose back the grams come, or from whose they go, where it is one of several. */
function onWhom(cure: Cure, names: Names, units: Units): string {
  const [who, another] = Object.entries(cure.on)
  if (!cure.mass_change_g || !who || another) return ''
  const [person, grams] = who
  const side = `${grams > 0 ? 'on' : 'off'} ${names.person(person)}`
  // What is loaded and what is carried part where a bag is checked in.
  return Math.abs(grams - (cure.mass_change_g)) < 1 ? ` ${side}` : `, ${fmt.mass(Math.abs(grams), units)} ${side}`
}
/** Days that packs carry more or less then. */
function days(change: number): string {
  return change ? `, batteries last ${many(Math.abs(change), 'day')} ${change > 0 ? 'longer' : 'less'}` : ''
}

/** The wants that a cure touches, by how much: "Sea eagles −12 %". */
export function touchedText(cure: Cure, names: Names): string {
  const touched = Object.entries(cure.wants).sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
  return touched.map(([want, change]) => `${names.want(want)} ${change > 0 ? '+' : '−'}${fmt.percent(Math.abs(change))}`).join(', ')
}

/** How much of it stays. */
export function partText(cure: Cure): string {
  if (!cure.partly) return ''
  const { rest } = cure
  if (rest < 0.05) return 'fixes almost all of it'
  return rest < 0.995 ? `in part: ${fmt.percent(rest)} remains` : 'in part'
}

/** Why there is nothing to click on; nothing where the sentence says it. */
const NO_WAY: Record<NoWay, string> = {
  bench: '',
  brief: '',
  loadout: 'Fix it in that loadout, in Stow.',
  none: 'Nothing in your locker fixes this, nor anything usual to buy or rent.',
  safety: 'Leaving safety gear is never proposed. You decide.',
  word: '',
  worse: 'Every fix tried would cause something else you must fix.',
}
export function noWayText(why: NoWay | null | undefined): string {
  return why ? NO_WAY[why] : ''
}

/** Loading what bears a loss. */
export const backupCure = ({ items, mass_g }: { items: readonly string[]; mass_g: number }): Cure => ({
  ...{ code: 'load', mass_change_g: mass_g, edits: items.map((item) => ({ act: 'load', item, count: 1 })) },
  ...{ gets: [], on: {}, points: 0, power_days: 0, wants: {}, partly: false, rest: 0, brings: [], also: [] },
})
