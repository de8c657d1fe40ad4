/** How a search comes on, in words. */
import { many } from './parts'

/** Before its turn: how many come first. */
export function inTurn(ahead: number): string {
  return `${many(ahead, 'search comes', 'searches come')} before yours`
}

/** A packing on its way: waiting, at work, tried once more with time, or bettered meanwhile. */
export function packingNow(now: { running: boolean; ahead: number; trying: boolean; better: number }): string {
  if (now.ahead) return inTurn(now.ahead)
  if (now.running) return 'packing…'
  if (now.better) return `a longer look found room for ${now.better} more`
  return now.trying ? 'looking longer for room…' : ''
}
