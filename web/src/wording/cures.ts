/** Ways out in words: what to do, what it costs, and what stands then. */
import type { Names } from './names'
import type { Cure, CureCode, Edit, NoWay, ToGet, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { EFFECT } from './completeness'
import { capital, listed, many, packOf } from './parts'

type Place = NonNullable<Extract<Edit, { act: 'move' }>['place']>
type Numbers = Record<string, number>

/** Something to get, without its article; of what has a label there is "one". */
const GET: Record<string, (got: ToGet, units: Units) => string> = {
  pack: (got) => packOf(got.label ?? ''),
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
  lens: (got) => `lens that reaches ${fmt.focalRange(got.numbers?.from_mm ?? 0, got.numbers?.to_mm ?? 0)} at f/${fmt.figure(got.numbers?.f_number ?? 0, 1)}`,
  filter: (got) => `${got.numbers?.thread_mm ?? ''} mm ${EFFECT[got.label ?? ''] ?? 'filter'}${got.numbers?.stops ? ` of ${got.numbers.stops} stops` : ''}`,
  light: () => 'light',
  sound: () => 'microphone',
  drone: () => 'drone',
  housing: () => 'underwater housing',
  remote: () => 'remote release',
  laptop: () => 'small laptop',
  lead: (got) => `lead with a ${got.label} plug`,
  refill: (got) => `refill of ${got.label}`,
  film: (got) => `roll of ${got.label} film`,
  safety: (got) => got.label ?? '',
  bag: (got, units) => `cabin bag of ${fmt.volume(got.numbers?.litres ?? 0, units)}`,
  'head-torch': () => 'head torch',
}
const NAMED = ['pack', 'card', 'plate', 'filter']
export function gotText(got: ToGet, names: Names, units: Units): string {
  const same = got.what === 'same' && got.item
  const what = same ? names.thing(got.item!) : (GET[got.what]?.(got, units) ?? got.what)
  const count = got.count ?? 1
  if (count > 1) return `${count} × ${what}`
  return `${same ? 'one more' : NAMED.includes(got.what) ? 'one' : 'a'} ${what}`
}

/** Names that know what a cure gets: it has none yet. */
export function namesAfter(cure: Cure, names: Names, units: Units): Names {
  return {
    ...names,
    thing: (id) => {
      const got = cure.gets[Number(/^to-get-(\d+)$/.exec(id)?.[1] ?? NaN)]
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
  const edits = cure.edits ?? []
  const [first] = edits
  const old = edits.find((edit) => edit.act === 'leave')
  if (cure.code !== 'swap-bag' || first?.act !== 'load' || !old) return null
  const into = (edit: Edit) => edit.act === 'move' && edit.place.where === 'bag' && edit.place.bag === first.item
  return { clause: `take ${names.thing(first.item)} instead of ${names.thing(old.item)}, with all that is in it`, rest: edits.filter((edit) => edit !== first && edit !== old && !into(edit)) }
}

function acts(cure: Cure, names: Names, units: Units): string[] {
  const swap = swapped(cure, names)
  const edits = swap?.rest ?? cure.edits ?? []
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
  const gets = (cure.gets ?? []).map((got) => gotText(got, names, units))
  if (gets.length) clauses.push(`buy, hire or borrow ${listed(gets)}`)
  return clauses
}

/** Ways of working: nothing is loaded, moved or left. */
const WAY: Partial<Record<CureCode, (numbers: Numbers) => string>> = {
  'crop-mode': (n) => `${n.crop}× crop mode reaches ${fmt.focal(n.to_mm ?? 0)} mm with ${fmt.figure(n.megapixels ?? 0)} MP left`,
  stitch: (n) => `${n.frames} stitched frames see as wide as ${fmt.focal(n.to_mm ?? 0)} mm`,
  'power-bank-by-day': () => 'Top up from a bank in the bag by day: then it lasts',
  'power-charge-nightly': () => 'Charge nightly: then it lasts',
  'power-usb-c': () => 'Charge in the cameras over USB-C: then it lasts',
  'power-packs-only': () => 'Do not charge at all: the packs last anyway',
  'erase-after': (n) => `Erase a card once it has ${many(n.copies ?? 2, 'copy', 'copies')}: then the cards last`,
  'few-big': () => 'Fill each card before you change it: then the cards last',
  'at-base': (n) => `Leave it where you sleep on ${(n.days ?? 0) === 1 ? 'that day' : `those ${n.days} days`}`,
}
/** What is to be added to what is done. */
const THEN: Partial<Record<CureCode, (numbers: Numbers) => string>> = {
  'load-may-pass': () => '; it may pass, ask there',
  'load-partly': (n) => `; the want is then ${fmt.percent(n.cover_after ?? 0)} covered`,
}

/** A cure as an action with its price; it is a button when it has edits, a hint otherwise. */
export function cureText(cure: Cure, names: Names, units: Units): string {
  const numbers = cure.numbers ?? {}
  const done = acts(cure, names, units)
  const what = done.length ? capital(done.join('; ')) + (THEN[cure.code]?.(numbers) ?? '') : (WAY[cure.code]?.(numbers) ?? '')
  const change = cure.mass_change_g ?? 0
  const mass = !change && numbers.moved_g ? fmt.mass(numbers.moved_g, units) : `${cure.gets?.length ? 'about ' : ''}${fmt.massChange(change, units)}`
  return `${what} (${mass}${onWhom(cure, names, units)}${numbers.points ? `, costs ${fmt.figure(numbers.points, 1)} points` : ''}${days(numbers.power_days ?? 0)})`
}

/** On whose back the grams come, or from whose they go, where it is one of several. */
function onWhom(cure: Cure, names: Names, units: Units): string {
  const [who, another] = Object.entries(cure.on ?? {})
  if (!cure.mass_change_g || !who || another) return ''
  const [person, grams] = who
  const side = `${grams > 0 ? 'on' : 'off'} ${names.person(person)}`
  // What is loaded and what is carried part where a bag is checked in.
  return Math.abs(grams - (cure.mass_change_g ?? 0)) < 1 ? ` ${side}` : `, ${fmt.mass(Math.abs(grams), units)} ${side}`
}
/** Days that packs carry more or less then. */
function days(change: number): string {
  return change ? `, packs carry ${many(Math.abs(change), 'day')} ${change > 0 ? 'more' : 'less'}` : ''
}

/** The wants that a cure touches, by how much: "Sea eagles −12 %". */
export function touchedText(cure: Cure, names: Names): string {
  const touched = Object.entries(cure.wants ?? {}).sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
  return touched.map(([want, change]) => `${names.want(want)} ${change > 0 ? '+' : '−'}${fmt.percent(Math.abs(change))}`).join(', ')
}

/** How much of it stays. */
export function partText(cure: Cure): string {
  if (!cure.partly) return ''
  const rest = cure.numbers?.rest
  if (rest !== undefined && rest < 0.05) return 'mends all but a little of it'
  return rest && rest < 0.995 ? `in part: ${fmt.percent(rest)} of it stays` : 'in part'
}

/** Why there is nothing to click on; nothing where the sentence says it. */
const NO_WAY: Record<NoWay, string> = {
  bench: '',
  brief: '',
  loadout: 'It is mended where that loadout is made up, at Stow.',
  none: 'Nothing in the locker helps, and nothing usual that could be got.',
  safety: 'Safety gear is never proposed for leaving: you decide.',
  word: '',
  worse: 'Everything that helps brings along something that stops the trip.',
}
export function noWayText(why: NoWay | null | undefined): string {
  return why ? NO_WAY[why] : ''
}

/** Loading what bears a loss. */
export const backupCure = ({ items, mass_g }: { items: readonly string[]; mass_g: number }): Cure => ({
  ...{ code: 'load', mass_change_g: mass_g, edits: items.map((item) => ({ act: 'load', item, count: 1 })) },
  ...{ gets: [], on: {}, numbers: {}, wants: {}, partly: false, brings: [], also: [] },
})
