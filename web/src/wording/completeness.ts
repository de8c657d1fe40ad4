/** What is missing, left over, dragged along, wanted twice or doubled, in words. */
import type { FindingCode } from '@/api/types'
import * as fmt from '@/format/units'
import { capital, item, batteryOf, list, many, manyBatteries, type Of, type Says } from './parts'

/** What a thing lacks to work. */
const LACKS: Record<string, (label: string) => string> = {
  pack: (label) => `has no ${batteryOf(label)}`,
  card: (label) => `has no card: it takes ${label}`,
  charger: (label) => `cannot be charged: nothing loaded charges ${label}`,
  'usb-power': () => 'has no power source: no USB plug, power bank or laptop',
  wall: (label) => `does not fit the wall there: its plug is ${label}`,
  reader: (label) => `cannot be copied: nothing loaded reads ${label}`,
  port: (label) => `has no ${label} port to go into`,
  head: () => 'has no head',
  plate: (label) => `has no ${label} plate for a body`,
  phone: () => 'has no phone or tablet to steer it',
  trigger: (label) => `has no trigger: it needs ${label}`,
  film: (label) => `has no film: it takes ${label}`,
  refill: (label) => `has no ${label} left to use`,
  bank: () => 'has no power bank',
  lead: (label) => `has no charging cable: its plug is ${label}`,
  thing: () => 'needs another item that is not loaded',
  support: () => 'has no support',
  light: () => 'has no light',
  sound: () => 'has no sound',
  drone: () => 'has no drone',
  housing: () => 'has no housing',
  remote: () => 'has no remote',
  holder: (label) => `has no ${label} mm holder`,
}
/** What would give a thing a purpose. */
const SERVES: Record<string, (label: string) => string> = {
  eater: (label) => `nothing loaded runs on ${label}`,
  pack: (label) => `no ${batteryOf(label)} is loaded`,
  slot: (label) => `nothing loaded takes ${label}`,
  card: (label) => `no ${label} card is loaded`,
  plug: (label) => `nothing loaded goes into ${label}`,
  thread: (label) => `no loaded lens or ring has a ${label} mm thread`,
  filter: (label) => `no loaded filter has a ${label} mm thread`,
  'step-up': () => 'it steps down, which darkens the corners',
  'plate-filter': (label) => `no ${label} mm plate filter is loaded`,
  head: (label) => `no loaded head takes ${label} plates`,
  legs: () => 'no tripod is loaded',
  socket: (label) => `no loaded body has a ${label} socket`,
  microphone: () => 'no microphone is loaded',
  adapter: () => 'its adapter is not loaded',
  thing: () => 'the item it belongs to is not loaded',
  user: (label) => `nothing loaded uses ${label}`,
  bank: () => 'no power bank is loaded for it to fill',
}
export const EFFECT: Record<string, string> = {
  nd: 'neutral density',
  'variable-nd': 'variable density',
  'graduated-nd': 'graduated density',
  polariser: 'polariser',
  'night-sky': 'night-sky filter',
  diffusion: 'diffusion',
  clear: 'clear filter',
}
const BY: Record<string, string> = {
  'twin-bodies': 'the same body twice',
  'one-range': 'two zooms over one range',
  'one-charge': 'two chargers for one type of battery',
  'one-card': 'two readers for one type of card',
  'long-zooms': 'two long zooms, on two mounts',
  'table-tripod': 'three tripods for a table',
  panel: 'three light panels',
  flash: 'three flashes',
}

/** A link that fails, or a purpose that is gone: "has no head". */
export function lacks(what: string, label: string): string {
  return LACKS[what]?.(label) ?? `lacks ${what} ${label}`
}
export function serves(what: string, label: string): string {
  return SERVES[what]?.(label) ?? `${what} ${label}`
}
function effect(finding: Of<'filter-unserved'>): string {
  const stops = finding.stops ?? 0
  return (stops ? `${fmt.figure(stops, stops % 1 ? 1 : 0)} stops of ` : '') + (EFFECT[finding.effect] ?? '')
}
function points(finding: Of<'single-point'>): string {
  return `${fmt.figure(finding.points, 1)} % of the brief`
}

export const COMPLETENESS = {
  'missing-link': (f, n) => ({ head: `${item(f, n)} ${f.what === 'thing' ? `needs ${n.thing(f.label ?? '')}, which is not loaded` : lacks(f.what, f.label ?? '')}.`, body: '' }),
  'pieces-short': (f) => ({ head: `${manyBatteries(f.short, f.label ?? '')} short.`, body: 'The gear loaded runs on more of them at once than you take.' }),
  orphan: (f, n, u) => ({ head: `${item(f, n)} has no use in this kit.`, body: `${fmt.mass(f.mass_g, u)}, and ${serves(f.what, f.label ?? '')}.` }),
  chain: (f, n, u) => {
    const lead = f.items?.slice(0, -f.things) ?? []
    const label = f.label ?? ''
    return {
      head: `${label || list(lead, n)} alone needs ${many(f.things, 'more item')}: ${fmt.mass(f.mass_g, u)}.`,
      body: `${list(f.items?.slice(lead.length) ?? [], n)}. Without ${label ? 'the type' : 'it'} they can stay home, too.`,
    }
  },
  'clash-hot-shoe': (f, n) => ({ head: `${many(f.items?.length ?? 0, 'item')} for ${many(f.places, 'hot shoe')}.`, body: `${list(f.items ?? [], n)} need the same hot shoe: use one at a time.` }),
  'clash-phone': (f, n) => ({ head: 'One phone for everything.', body: `${list(f.items ?? [], n)}: it may be flat when you need to call for help. Keep it charged, or take a second.` }),
  'clash-base-plate': (f, n) => ({ head: 'One base, two kinds of plate.', body: `${list(f.items ?? [], n)} need different plates under the same body.` }),
  overlap: (f, n) => ({ head: `${list(f.items ?? [], n)} do the same job.`, body: `${capital(BY[f.by] ?? `several for ${f.by}`)}. If one is a backup, mark it as a deliberate backup in the Locker.` }),
  'filter-unserved': (f, n) => ({
    head: `${n.want(f.want)} needs ${effect(f)}.`,
    body: f.from_mm && f.to_mm
      ? `Not at ${fmt.focalRange(f.from_mm, f.to_mm)}: no loaded filter does that on ${list(f.items ?? [], n)}.`
      : `No loaded filter does that on ${list(f.items ?? [], n)}.`,
  }),
  'filters-together': (f, n) => ({
    head: `${n.want(f.want)}: several filters at once.`,
    body: f.rim_mm && f.from_mm
      ? `On ${item(f, n)} their rims add up to ${fmt.figure(f.rim_mm, 1)} mm: corners may go dark at ${fmt.figure(f.from_mm)} mm.`
      : `${item(f, n)} takes each of them, but not all at once.`,
  }),
  'must-take': (f, n) => ({ head: `${item(f, n)} is marked “always take” but not loaded.`, body: 'You marked it so for this trip.' }),
  'must-leave': (f, n) => ({ head: `${item(f, n)} is marked “leave at home” but loaded.`, body: 'You marked it so for this trip.' }),
  'slot-full': (f, n) => ({ head: `${f.slot}: take only one.`, body: `${list(f.items ?? [], n)} are in this group.` }),
  'policy-one-zoom': (f) => ({ head: 'More than the one zoom you chose.', body: `${many(f.lenses, 'lens', 'lenses')} are loaded.` }),
  'policy-trio-of-zooms': (f) => ({ head: 'Not the trio of zooms you chose.', body: `${many(f.lenses, 'lens', 'lenses')} are loaded, ${f.zooms} of them zooms.` }),
  'policy-primes': (f) => ({ head: 'Not only primes, as you chose.', body: `${many(f.zooms, 'zoom')} are loaded.` }),
  'policy-none-body': (f) => ({ head: 'More than the one body you chose.', body: `${f.bodies} are loaded.` }),
  'policy-twin-body': (f) => ({ head: 'No twin for the body, as you chose.', body: f.bodies === 1 ? 'Only one body is loaded.' : 'The bodies loaded are not twins.' }),
  'policy-specialist-body': (f) => ({ head: 'No different second body, as you chose.', body: f.bodies === 1 ? 'Only one body is loaded.' : 'The bodies loaded are of the same kind.' }),
  'single-point': (f, n) => ({
    head: f.stops ? `Without ${item(f, n)} there are no pictures.` : `Everything depends on ${item(f, n)}.`,
    body: `Lost or broken, it costs ${points(f)}${f.wants ? ` and ${many(f.wants, 'shot')}` : ''}${f.days ? `, and everything on ${many(f.days, 'day')}` : ''}.`,
  }),
  'pictures-in-one-bag': (f, n) => ({ head: `All pictures are in ${item(f, n)}.`, body: 'Every card, drive and computer is in it. If it is lost, so is every picture: keep one copy elsewhere.' }),
} satisfies Partial<Says<FindingCode>>
