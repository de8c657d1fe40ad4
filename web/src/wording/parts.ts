/** Parts that sentences are made of. */
import type { Names } from './names'
import type { Finding, FindingCode, Units } from '@/api/types'

export interface Sentence {
  head: string
  body: string
}

/** Findings of these codes. */
export type Of<C extends FindingCode> = Extract<Finding, { code: C }>
export type Say = (finding: Finding, names: Names, units: Units) => Sentence
/** A sentence for each of these codes, which knows the fields of that code. */
export type Says<C extends FindingCode> = { [K in C]: (finding: Of<K>, names: Names, units: Units) => Sentence }
/** The first thing a finding is about. */
export function item(finding: Finding, names: Names): string {
  return finding.items?.[0] ? names.thing(finding.items[0]) : ''
}
/** "A", "A and B", "A, B and C". */
export function listed(parts: readonly string[]): string {
  return parts.length <= 2 ? parts.join(' and ') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
}
export function list(ids: readonly string[], names: Names): string {
  return listed(ids.map(names.thing))
}
export function many(count: number, one: string, more = `${one}s`): string {
  return `${count} ${count === 1 ? one : more}`
}

/** "LB-4 battery", "Large battery" for a type that is called so, and "AA cell". */
export function batteryOf(type: string): string {
  if (/^(A{1,4}|C|D|CR\d+\w?)$/.test(type)) return `${type} cell`
  return / (battery|pack)$/i.test(type) ? type : `${type} battery`
}
/** "LB-4 batteries", "AA cells". */
export function batteriesOf(type: string): string {
  return batteryOf(type).replace(/y$/, 'ie') + 's'
}
/** "1 LB-4 battery", "3 AA cells". */
export function manyBatteries(count: number, type: string): string {
  return many(count, batteryOf(type), batteriesOf(type))
}
/** Power comes in types of battery, and from things with one inside, which have a name of their own. */
export function isBuiltIn(type: string, names: Names): boolean {
  return names.thing(type) !== type
}
/** Whatever gives power, as the subject of a sentence. */
export function power(type: string, names: Names): { what: string; is: (one: string, more: string) => string } {
  const inside = isBuiltIn(type, names)
  return { what: inside ? names.thing(type) : batteriesOf(type), is: (one, more) => (inside ? one : more) }
}
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
