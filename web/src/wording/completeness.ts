/** What is missing, left over, dragged along, wanted twice or doubled, in words. */
import type { FindingCode } from '@/api/types'
import * as fmt from '@/format/units'
import { capital, item, list, many, packOf, type Of, type Says } from './parts'

/** What a thing lacks to work. */
const LACKS: Record<string, (label: string) => string> = {
  pack: (label) => `has no ${packOf(label)}`,
  card: (label) => `has no card: it takes ${label}`,
  charger: (label) => `cannot be charged: nothing loaded charges ${label}`,
  'usb-power': () => 'has nothing to draw from: no USB plug, bank or laptop',
  wall: (label) => `does not fit the wall there: its plug is ${label}`,
  reader: (label) => `cannot be copied: nothing loaded reads ${label}`,
  port: (label) => `has no ${label} port to go into`,
  head: () => 'has no head',
  plate: (label) => `has no ${label} plate for a body`,
  phone: () => 'has no phone or tablet to steer it',
  trigger: (label) => `has no trigger: it wants ${label}`,
  film: (label) => `has no film: it takes ${label}`,
  refill: (label) => `has nothing to use up: no ${label}`,
  bank: () => 'has no bank to draw from',
  lead: (label) => `has no lead to be charged by: its plug is ${label}`,
  thing: () => 'does not work without another thing that is not loaded',
  support: () => 'is not held still',
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
  pack: (label) => `no ${packOf(label)} is loaded`,
  slot: (label) => `nothing loaded takes ${label}`,
  card: (label) => `no ${label} card is loaded`,
  plug: (label) => `nothing loaded goes into ${label}`,
  thread: (label) => `no loaded lens or ring has a ${label} mm thread`,
  filter: (label) => `no loaded filter has a ${label} mm thread`,
  'step-up': () => 'it steps down, which darkens the corners',
  'plate-filter': (label) => `no ${label} mm plate filter is loaded`,
  head: (label) => `no loaded head takes ${label} plates`,
  legs: () => 'no legs are loaded',
  socket: (label) => `no loaded body has a ${label} socket`,
  microphone: () => 'no microphone is loaded',
  adapter: () => 'its adapter is not loaded',
  thing: () => 'what it belongs to is not loaded',
  user: (label) => `nothing loaded uses ${label}`,
  bank: () => 'no bank is loaded for it to fill',
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
  'one-charge': 'two chargers for one type of pack',
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
  return `${fmt.figure(finding.points, 1)} points of the brief`
}

export const COMPLETENESS = {
  'missing-link': (f, n) => ({ head: `${item(f, n)} ${f.what === 'thing' ? `does not work without ${n.thing(f.label ?? '')}` : lacks(f.what, f.label ?? '')}.`, body: '' }),
  'pieces-short': (f) => ({ head: `${many(f.short, packOf(f.label ?? ''))} short.`, body: 'What is loaded holds more of them at one time than come along.' }),
  orphan: (f, n, u) => ({ head: `${item(f, n)} serves nothing.`, body: `${fmt.mass(f.mass_g, u)}, and ${serves(f.what, f.label ?? '')}.` }),
  chain: (f, n, u) => {
    const lead = f.items?.slice(0, -f.things) ?? []
    const label = f.label ?? ''
    return {
      head: `${label || list(lead, n)} alone brings ${many(f.things, 'thing')}: ${fmt.mass(f.mass_g, u)}.`,
      body: `${list(f.items?.slice(lead.length) ?? [], n)}. Leave ${label ? 'the type' : 'it'} and they go too.`,
    }
  },
  'clash-hot-shoe': (f, n) => ({ head: `${many(f.items?.length ?? 0, 'thing')} for ${many(f.places, 'hot shoe')}.`, body: `${list(f.items ?? [], n)} sit in the same place: one at a time.` }),
  'clash-phone': (f, n) => ({ head: 'One phone for everything.', body: `${list(f.items ?? [], n)}: while it steers and shows, it is nobody’s emergency call. Keep it charged, or take a second.` }),
  'clash-base-plate': (f, n) => ({ head: 'One base, two sorts of plate.', body: `${list(f.items ?? [], n)} want different plates under the same body.` }),
  overlap: (f, n) => ({ head: `${list(f.items ?? [], n)} do the same.`, body: `${capital(BY[f.by] ?? `several for ${f.by}`)}. If one is a backup, mark it so in the locker.` }),
  'filter-unserved': (f, n) => ({
    head: `${n.want(f.want)} asks for ${effect(f)}.`,
    body: f.from_mm && f.to_mm
      ? `Not at ${fmt.focalRange(f.from_mm, f.to_mm)}: nothing loaded gives it on ${list(f.items ?? [], n)}.`
      : `Nothing loaded gives it on ${list(f.items ?? [], n)}.`,
  }),
  'filters-together': (f, n) => ({
    head: `${n.want(f.want)}: several filters at once.`,
    body: f.rim_mm && f.from_mm
      ? `On ${item(f, n)} their rims come to ${fmt.figure(f.rim_mm, 1)} mm: corners may go dark at ${fmt.figure(f.from_mm)} mm.`
      : `${item(f, n)} wears each of them, but not all at the same time.`,
  }),
  'must-take': (f, n) => ({ head: `${item(f, n)} must come, and is not loaded.`, body: 'You marked it for this trip.' }),
  'must-leave': (f, n) => ({ head: `${item(f, n)} must stay, and is loaded.`, body: 'You marked it for this trip.' }),
  'slot-full': (f, n) => ({ head: `${f.slot}: either this or that.`, body: `${list(f.items ?? [], n)} share one place.` }),
  'policy-one-zoom': (f) => ({ head: 'One zoom, you said.', body: `${many(f.lenses, 'lens', 'lenses')} are loaded.` }),
  'policy-trio-of-zooms': (f) => ({ head: 'A trio of zooms, you said.', body: `${many(f.lenses, 'lens', 'lenses')} are loaded, ${f.zooms} of them zooms.` }),
  'policy-primes': (f) => ({ head: 'Primes only, you said.', body: `${many(f.zooms, 'zoom')} came along.` }),
  'policy-none-body': (f) => ({ head: 'One body, you said.', body: `${f.bodies} are loaded.` }),
  'policy-twin-body': (f) => ({ head: 'A twin for the body, you said.', body: f.bodies === 1 ? 'Only one body is loaded.' : 'The bodies loaded are no twins.' }),
  'policy-specialist-body': (f) => ({ head: 'A second body of another sort, you said.', body: f.bodies === 1 ? 'Only one body is loaded.' : 'The bodies loaded are not a pair of two sorts.' }),
  'single-point': (f, n) => ({
    head: f.stops ? `Without ${item(f, n)} there are no pictures.` : `Everything hangs on ${item(f, n)}.`,
    body: `Lost or broken, it costs ${points(f)}${f.wants ? ` and ${many(f.wants, 'want')}` : ''}${f.days ? `, on ${many(f.days, 'day')} everything` : ''}.`,
  }),
  'pictures-in-one-bag': (f, n) => ({ head: `All pictures ride in ${item(f, n)}.`, body: 'Every card, drive and computer is in it. Lost, it takes every picture along: keep one copy elsewhere.' }),
} satisfies Partial<Says<FindingCode>>
