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

function packState(stands: Standing, item: string, piece: number): PackState {
  const what = stands.now.get(`pack:${item}#${piece}`)?.what
  return what?.do === 'pack' ? what.state : 'ready'
}
function cardState(stands: Standing, item: string, piece: number): Pick<Card, 'state' | 'copies'> {
  const what = stands.now.get(`card:${item}#${piece}`)?.what
  return what?.do === 'card' ? { state: what.state, copies: what.copies ?? 0 } : { state: 'blank', copies: 0 }
}

export function packs(entries: readonly Entry[], things: ReadonlyMap<string, Thing>, stands: Standing): Pack[] {
  return pieces(entries, things, 'battery').map((p) => ({ ...p, state: packState(stands, p.item, p.piece) }))
}

export function cards(entries: readonly Entry[], things: ReadonlyMap<string, Thing>, stands: Standing): Card[] {
  return pieces(entries, things, 'card').map((p) => ({ ...p, ...cardState(stands, p.item, p.piece) }))
}

const NEXT: Record<PackState, PackState> = { ready: 'in-use', 'in-use': 'spent', spent: 'charging', charging: 'ready' }
/** A pack goes on to its next state, from the one it has by then: two quick taps are two steps. */
export function turned({ item, piece }: Pack): (stands: Standing) => What {
  return (stands) => ({ do: 'pack', item, piece, state: NEXT[packState(stands, item, piece)] })
}
/** Copies count only from the last change: what was shot after a copy is in no other place. */
export function carded({ item, piece }: Card, state: CardState): What {
  return { do: 'card', item, piece, state, copies: 0 }
}
/** One copy more of what is on a card. */
export function copied({ item, piece }: Card): (stands: Standing) => What {
  return (stands) => {
    const card = cardState(stands, item, piece)
    return { do: 'card', item, piece, state: card.state, copies: Math.min(9, card.copies + 1) }
  }
}

/** Whether a card may be erased: its pictures are in as many places as were asked for, the card not counted. */
export function safeToErase(card: Card, copies: number): boolean {
  return card.state === 'blank' || card.copies >= copies
}

/** The day to show: today when it is one of the trip, else the next one to come, else the last. */
export function dayToShow(dates: readonly string[], today: string): string | undefined {
  return dates.find((d) => d >= today) ?? dates.at(-1)
}
