/** Packs and cards as the crew sees them: one place per piece, its state by the last mark. Pure. */
import type { Entry, Thing, What } from '@/api/types'
import type { Standing } from './subjects'

export type PackState = Extract<What, { do: 'pack' }>['state']
export type CardState = Extract<What, { do: 'card' }>['state']
export interface Pack {
  item: string
  name: string
  piece: number
  state: PackState
}
export interface Card {
  item: string
  name: string
  piece: number
  state: CardState
  copies: number
}

/** Pieces of things loaded, over all places. */
function pieces(entries: readonly Entry[], things: ReadonlyMap<string, Thing>, kind: Thing['kind']): { item: string; name: string; piece: number }[] {
  const counts = new Map<string, number>()
  for (const e of entries) if (things.get(e.item)?.kind === kind) counts.set(e.item, (counts.get(e.item) ?? 0) + (e.count ?? 1))
  return [...counts].flatMap(([item, count]) => Array.from({ length: count }, (_, i) => ({ item, name: things.get(item)!.name, piece: i + 1 })))
}

export function packs(entries: readonly Entry[], things: ReadonlyMap<string, Thing>, stands: Standing): Pack[] {
  return pieces(entries, things, 'battery').map((p) => {
    const what = stands.now.get(`pack:${p.item}#${p.piece}`)?.what
    return { ...p, state: what?.do === 'pack' ? what.state : 'ready' }
  })
}

export function cards(entries: readonly Entry[], things: ReadonlyMap<string, Thing>, stands: Standing): Card[] {
  return pieces(entries, things, 'card').map((p) => {
    const what = stands.now.get(`card:${p.item}#${p.piece}`)?.what
    return what?.do === 'card' ? { ...p, state: what.state, copies: what.copies ?? 0 } : { ...p, state: 'blank', copies: 0 }
  })
}

const NEXT: Record<PackState, PackState> = { ready: 'in-use', 'in-use': 'spent', spent: 'charging', charging: 'ready' }
export function nextPack(state: PackState): PackState {
  return NEXT[state]
}

/** Whether a card may be erased: its pictures are in as many places as were asked for, the card not counted. */
export function safeToErase(card: Card, copies: number): boolean {
  return card.state === 'blank' || card.copies >= copies
}

/** The day to show: today when it is one of the trip, else the next one to come, else the last. */
export function dayToShow(dates: readonly string[], today: string): string | undefined {
  return dates.find((d) => d >= today) ?? dates.at(-1)
}
