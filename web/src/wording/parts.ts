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

/** "LB-4 pack", "Large pack" for a type that is called so, and "AA cell". */
export function packOf(type: string): string {
  if (/^(A{1,4}|C|D|CR\d+\w?)$/.test(type)) return `${type} cell`
  return / packs?$/i.test(type) ? type : `${type} pack`
}
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
