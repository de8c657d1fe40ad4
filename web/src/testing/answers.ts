/** Answers of the core, whole and typed: a test says only what it is about. */
import type { Assessment, Entry, Judged, Kit, LookBack, OutLine, Placed, Point, RoomUse, Stowage } from '@/api/types'

export function roomUse(more: Partial<RoomUse> = {}): RoomUse {
  return {
    ...{ room: 'ridge/lid', bag: 'ridge', compartment: 'lid', name: 'Lid pocket', sort: 'pocket', access: 'quick', divided: false, measured: true },
    ...{ size_mm: [250, 160, 45], litres: 1.8, fill: 0.5, mass_g: 300, balance_mm: [-12.4, 3, 0], dividers: [] },
    ...more,
  }
}
export function placed(more: Partial<Placed> = {}): Placed {
  return {
    ...{ block: 'lb4', items: ['lb4'], count: 3, room: 'ridge/lid', at_mm: [0, 120, 0], size_mm: [52, 38, 45] },
    ...{ turn: [0, 1, 2], round: null, hard: true, mass_g: 246, pinned: false, layer: 0 },
    ...more,
  }
}
export function stowage(more: Partial<Stowage> = {}): Stowage {
  return { rooms: [], placed: [], soft: [], strapped: [], left: [], checked: true, gap_mm: 8, alternatives: [], moved: [], people: [], ...more }
}
export function judged(more: Partial<Judged> = {}): Judged {
  return { item: 'bank', count: 1, person: 'ines', held: true, bag: 'duffel', sort: 'power-bank', answer: 'no', why: 'place', wh: 90, total: 1, most: null, note: '', ...more }
}
export function outLine(more: Partial<OutLine> = {}): OutLine {
  return {
    ...{ id: 'lb4@ridge', item: 'lb4', count: 3, bag: 'ridge', person: 'ines', outside: false, room: 'ridge/lid' },
    ...{ placed: placed({ at_mm: [0, 0, 0] }), absent: null, harm: 'power', points: 0, rank: 1 },
    ...more,
  }
}
export function kit(entries: Entry[]): Kit {
  return { id: 'p', name: 'P', note: '', entries, stow: { gap_mm: 8, pins: [], mounts: [], nests: [], wishes: [], hangs: [], rides: [], loadouts: [] } }
}
export function point(more: Partial<Point> = {}): Point {
  return {
    ...{ kit: kit([]), limit_g: 9000, carried_g: 8900, score: 90, bound: 90, steady: 0.5, proved: true },
    ...{ days: 3, power_days: 3, card_days: 3, stowed: true, left: {}, provisional: false },
    ...more,
  }
}
export function lasts(more: Partial<Assessment['lasts']> = {}): Assessment['lasts'] {
  return {
    ...{ days: 3, power_days: 3, card_days: 3, types: [], cards: [], missing: [], nights_told: true },
    ...{ copies: 2, copies_fewest: 2, copies_short: 0, copies_short_on: null },
    ...more,
  }
}
/** A type of pack that lasts the whole trip. */
export function packs(type: string, count: number, more: Partial<Assessment['lasts']['types'][number]> = {}): Assessment['lasts']['types'][number] {
  return { type, packs: count, short_on: null, short_days: 0, lacking_wh: 0, worst_margin: null, worst_on: null, ...more }
}
export function lookBack(more: Partial<LookBack> = {}): LookBack {
  return {
    ...{ frames: 0, outside: 0, undated: 0, uses: [], never: [], twice: [], kept: [], missed: [], lacks: [], faults: [], lent: [], cells: [] },
    ...{ days: [], wants: [], against: [], rates: [], wear: [], advice: [], unknown: [] },
    ...more,
  }
}
