/** Packs, cards and copies in words. */
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import type { FindingCode, Made, NumberedPiece, PowerLoad } from '@/api/types'
import { item, list, many, power, type Says } from './parts'

export function wh(value: number): string {
  return `${fmt.figure(value, 1)} Wh`
}
export function gb(value: number): string {
  return value >= 1000 ? `${fmt.figure(value / 1000, 2)} TB` : `${fmt.figure(value, value < 10 ? 1 : 0)} GB`
}
/** "2 h 30", "45 min". */
export function hours(value: number): string {
  const minutes = Math.round(value * 60)
  if (value > 0 && minutes < 1) return 'under 1 min'
  if (minutes < 60) return `${minutes} min`
  return minutes % 60 ? `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}` : `${minutes / 60} h`
}
/** "LB-4 no. 2"; where there is only one of it, without its number. */
export function pieceName([item, number]: NumberedPiece, thing: (item: string) => string, count = 2): string {
  return count > 1 ? `${thing(item)} no. ${number}` : thing(item)
}
const SOURCE = { measured: 'measured', stated: 'stated', typical: 'typical', computed: 'computed' } as const
/** A figure with a decimal only where it has one. */
function plain(value: number): string {
  return fmt.figure(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1)
}
const PART = {
  frames: (amount: string, rate: string) => `${amount} frames / ${rate} a charge`,
  'video-min': (amount: string, rate: string) => `${amount} min of video / ${rate}`,
  'timelapse-h': (amount: string, rate: string) => `${amount} h of time-lapse / ${rate}`,
  hours: (amount: string, rate: string) => `${amount} h / ${rate} h a charge`,
  flights: (amount: string) => many(Number(amount), 'flight'),
  share: (amount: string) => amount,
} as const
/** "2 × (600 frames / 400 a charge, stated + ...) = 3.2 charges": a sum to be redone by hand. */
export function eaterSum(eater: PowerLoad, thing: (item: string) => string): string {
  const parts = (eater.parts ?? []).map((p) => {
    const told = PART[p.unit](p.unit === 'share' ? fmt.percent(p.amount) : plain(p.amount), plain(p.per_charge))
    return p.unit === 'share' || p.unit === 'flights' ? told : `${told}, ${SOURCE[p.source]}`
  })
  const times = (eater.times ?? 1) > 1 ? `${eater.times} × ` : ''
  const sum = parts.length > 1 && times ? `(${parts.join(' + ')})` : parts.join(' + ')
  return `${thing(eater.item)}: ${times}${sum} = ${fmt.figure(eater.charges, 2)} of a charge`
}
/** "420 frames × 54 MB, computed = 22.7 GB". */
export function madeSum(made: Made): string {
  const stills = `${fmt.figure(made.frames)} frames × ${plain(made.mb_per_frame)} MB, ${SOURCE[made.mb_source]} = ${gb(made.stills_gb)}`
  return made.video_gb ? `${stills}, and ${gb(made.video_gb)} of video` : stills
}
export const POWER_SCHOOL = {
  'packs-only': 'spare batteries only',
  'charge-nightly': 'charge every night',
  'bank-by-day': 'power bank by day',
  'usb-c': 'USB-C, no chargers',
} as const
export const CARD_SCHOOL = {
  'fresh-daily': 'a fresh card a day, never erased',
  'erase-after': 'erase once copied',
  'few-big': 'a few big cards, filled up',
} as const
export const SLOTS = { overflow: 'one after the other', mirror: 'every frame twice', split: 'stills and video apart' } as const
export const WARM = { none: 'none of them', spares: 'the spares', all: 'all of them' } as const
export const FIRST = { packs: 'batteries', computers: 'computers and phones' } as const
export const GONE: Record<string, string> = { card: 'a card', camera: 'a camera', drive: 'a drive', computer: 'a computer', bag: 'a bag', hold: 'all hold bags' }

export const STAMINA = {
  'power-short': (f, n, u) => ({
    head: `${power(f.type, n).what} ${power(f.type, n).is('runs', 'run')} out on ${day(f.on)}.`,
    body: `${wh(f.need_wh)} needed, ${wh(f.ready_wh)} usable that morning at ${fmt.temperature(f.lowest_c, u)}: ${fmt.percent(f.got_wh / Math.max(1e-9, f.need_wh))} of the day. Then ${list(f.items ?? [], n)} ${(f.items ?? []).length > 1 ? 'stop' : 'stops'}.`,
  }),
  'power-thin': (f, n) => ({
    head: `${power(f.type, n).what} ${power(f.type, n).is('is', 'are')} tight on ${day(f.on)}.`,
    body: `${fmt.percent(f.margin)} to spare: ${wh(f.ready_wh)} for ${wh(f.need_wh)}, under your margin.`,
  }),
  'charger-volts': (f, n) => ({
    head: `${item(f, n)} does not take ${fmt.figure(f.volts)} V.`,
    body: 'An adapter changes pins, not volts. Check the label on the charger.',
  }),
  'bank-too-large': (f, n) => ({
    head: `${item(f, n)} holds ${fmt.figure(f.energy_wh)} Wh.`,
    body: `Over ${fmt.figure(f.most_wh)} Wh no airline takes it by the usual rules; your carrier and the authority decide.`,
  }),
  'beyond-cold': (f, _n, u) => ({
    head: `${fmt.temperature(f.lowest_c, u)} is colder than the estimate goes.`,
    body: `Below ${fmt.temperature(f.ends_c, u)} batteries count as half usable. Expect less, and keep spares warm on you.`,
  }),
  'cards-full': (f) => ({
    head: `You run out of ${f.types.join(' and ')} cards on ${day(f.on)}.`,
    body: `${gb(f.lost_gb)} too few for the trip${f.more > 0 ? `; ${fmt.figure(f.more)} more ${f.more === 1 ? 'card is' : 'cards are'} enough` : ''}.`,
  }),
  'film-short': (f) => ({
    head: `${f.type} film is ${fmt.figure(f.asked - f.have)} frames short.`,
    body: `${fmt.figure(f.asked)} frames needed, ${fmt.figure(f.have)} on the film loaded. Assumes one roll a day (estimate).`,
  }),
  'card-old': (f, n) => ({
    head: `${list(f.items ?? [], n)}: from ${f.since}.`,
    body: `Cards are trusted for about ${f.years} years (estimate). Fill the others first: mark it “keep for last” in the Locker.`,
  }),
  'copies-short': (f) => ({
    head: `Only ${fmt.figure(f.copies)} of ${fmt.figure(f.asked)} copies on ${day(f.on)}.`,
    body: `By the end of ${f.nights > 1 ? `${fmt.figure(f.nights)} nights` : 'that night'} some pictures have fewer copies than you planned.`,
  }),
  'copies-together': () => ({
    head: 'All copies are in one bag or one camera.',
    body: 'If it is lost, so are the pictures. Keep paid work in two bags.',
  }),
  'mirror-one-slot': (f, n) => ({
    head: `${item(f, n)} has only one card slot.`,
    body: 'It cannot write every frame twice. Its pictures have no copy until you make one.',
  }),
  'mirror-one-card': (f, n) => ({
    head: `${item(f, n)} has one card for its two slots.`,
    body: 'So it cannot back up as it shoots. Add a second card of its type.',
  }),
} satisfies Partial<Says<FindingCode>>
