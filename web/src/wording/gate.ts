/** What is restricted, what comes out, and what each limit says, in words. */
import type { Check, FindingCode, Judged, Restriction, Units } from '@/api/types'
import * as fmt from '@/format/units'
import { item, many, type Of, type Says } from './parts'

export const SORT: Record<Restriction['sort'], string> = {
  'spare-lithium': 'spare lithium batteries',
  'power-bank': 'power banks',
  'device-lithium': 'devices with a battery inside',
  'dry-cells': 'dry cells',
  tripod: 'tripods and poles',
  drone: 'drones',
  blade: 'blades',
  'multi-tool': 'multi-tools',
  tool: 'tools over 6 cm',
  spray: 'spray against animals',
  gas: 'gas and fuel',
  'compressed-air': 'compressed air',
  matches: 'matches',
  lighter: 'lighters',
  liquid: 'liquids',
  film: 'film',
}
export const ANSWER = { yes: 'goes', ask: 'ask', no: 'does not go' } as const
export const ASK_THEM = 'Usual rules; check your carrier and the authority of the country.'
export const GRAB = { lithium: 'lithium', pictures: 'pictures', body: 'body', fragile: 'fragile' } as const

/** "8.57 kg of 8.00 kg", "54 × 38 × 19 cm of 55 × 40 × 23 cm", "gives 2 cm": the figures that are compared, as they are. */
export function against(check: Check, units: Units): string {
  const gives = check.squeeze_mm ? `, gives ${fmt.side(check.squeeze_mm, units)}` : ''
  if (check.limit === 'size' && check.size_mm && check.frame_mm) return `${fmt.sides(check.size_mm, units)}${gives}; ${fmt.sides(check.frame_mm, units)} allowed`
  if (check.limit === 'sum' && check.size_mm) return `${fmt.side(check.size_mm[0] + check.size_mm[1] + check.size_mm[2], units)}${gives}; ${fmt.side(check.allowed, units)} allowed`
  if (check.limit === 'soft') return check.passes ? 'it is soft' : 'it is a hard case'
  const say = check.limit === 'count' ? (v: number) => fmt.figure(v) : (v: number) => fmt.load(v, units)
  return `${say(check.value)} of ${say(check.allowed)}`
}
export const LIMIT = { size: 'size', sum: 'sides together', soft: 'soft bags only', mass: 'mass', count: 'pieces', together: 'together' } as const

/** What decides about a restricted thing: "in the hold", "111 Wh a piece", "24 of at most 20". */
export function decided(judged: Judged): string {
  const where = judged.held ? 'in the hold' : judged.bag ? 'in the cabin' : 'on the person'
  if (judged.why === 'energy') return `${fmt.figure(judged.wh ?? 0)} Wh a piece, ${where}`
  if (judged.why === 'count') return `${judged.total} of at most ${judged.most}, ${where}`
  return judged.wh === null || judged.wh === undefined ? where : `${fmt.figure(judged.wh)} Wh a piece, ${where}`
}

function repacked(finding: Of<'gate-no' | 'gate-ask'>): string {
  return finding.loadout ? ' on the legs with another loadout' : ''
}

export const GATE = {
  'gate-no': (f, n) => ({
    head: `${item(f, n)} does not go ${f.held ? 'in the hold' : 'in the cabin'}${repacked(f)}.`,
    body: `${because(f)} ${ASK_THEM}`,
  }),
  'gate-ask': (f, n) => ({
    head: `${item(f, n)}: ask before you go${repacked(f)}.`,
    body: `${because(f)} ${ASK_THEM}`,
  }),
  'not-at-seat': (f, n) => ({
    head: `${item(f, n)} is needed in flight.`,
    body: `It is in ${n.thing(f.bag)}, out of reach in flight. Move it to the bag under the seat.`,
  }),
  'too-large': (f, n, u) => ({
    head: `${item(f, n)} is larger than every space of ${n.thing(f.bag)}.`,
    body: `Its longest side is ${fmt.side(f.longest_mm, u)}. Take it apart, strap it outside, or give it another bag.`,
  }),
} satisfies Partial<Says<FindingCode>>
function because(f: Of<'gate-no' | 'gate-ask'>): string {
  const sort = SORT[f.sort as Restriction['sort']] ?? 'things like this'
  switch (f.because) {
    case 'energy':
      return `${fmt.figure(f.energy_wh ?? 0)} Wh a piece: ${sort} that large need the carrier’s approval, or do not fly.`
    case 'count':
      return `${many(f.total, 'piece')} where ${f.most} ${f.most === 1 ? 'is' : 'are'} allowed.`
    default:
      return f.held ? `Carriers look at ${sort} in checked bags.` : `Carriers look at ${sort} in the cabin.`
  }
}
