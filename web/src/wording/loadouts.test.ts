import { describe, expect, it } from 'vitest'
import type { Loadout } from '@/api/types'
import { NAMES } from '@/testing/mount'
import { atTheBase, doorList, edited, fresh, moveText, placeName, withPlace } from './loadouts'

const sling = { where: 'bag', bag: 'sling', outside: false } as const
const ridge: Loadout = {
  id: 'ridge',
  name: 'Ridge dawn',
  days: [], legs: [], mounts: [],
  entries: [
    { item: 'sling', count: 1, place: { where: 'piece', piece: 'personal', person: 'ines' } },
    { item: 'c1', count: 1, place: { where: 'worn', person: 'ines', unplaced: false } },
    { item: 'lb4', count: 2, place: sling },
  ],
}

describe('loadouts', () => {
  it('name places and moves', () => {
    expect(placeName({ ...sling, outside: true }, NAMES)).toBe('outside SLING')
    expect(moveText({ item: 'lb4', count: 2, from_place: null, to_place: sling }, NAMES)).toBe('LB4 × 2: the base → SLING')
    expect(moveText({ item: 'c1', count: 1, from_place: sling, to_place: { where: 'worn', person: 'ines', unplaced: false } }, NAMES)).toBe('C1: SLING → on ines')
  })
  it('list what goes out of the door and what comes back, a line for each place', () => {
    const worn = { where: 'worn', person: 'ines', unplaced: false } as const
    const kit = { id: 'b', name: 'B', entries: [...ridge.entries!, { item: 'lb4', count: 1, place: worn }] }
    const back = [{ item: 'lb4', count: 3, from_place: sling, to_place: { where: 'bag', bag: 'cube', outside: false } as const }]
    const out = doorList('out', '2027-02-23', { kit, back } as never, NAMES)
    expect(out.map((l) => l.line)).toEqual(['out.2027-02-23.sling#1', 'out.2027-02-23.c1#1', 'out.2027-02-23.lb4#1', 'out.2027-02-23.lb4#2'])
    expect(out[2]).toMatchObject({ head: 'LB4 × 2', body: 'SLING' })
    expect(doorList('back', '2027-02-23', { kit, back } as never, NAMES)).toEqual([{ line: 'back.2027-02-23.lb4#1', head: 'LB4 × 3', body: 'CUBE' }])
    // Such a line is none of the list of packing, and names no place.
    for (const { line } of out) expect(line).toMatch(/^[a-z0-9:.#-]+$/)
  })
  it('say where what stays lies at the base', () => {
    const entries = [
      { item: 'c2', count: 1, place: { where: 'bag', bag: 'cube', outside: false } as const },
      { item: 'duffel', count: 1, place: { where: 'piece', piece: 'hold', person: 'ines' } as const },
    ]
    expect(atTheBase({ c2: 1, duffel: 1 }, entries, NAMES)).toEqual(['C2 (CUBE)', 'DUFFEL'])
  })
  it('take a thing in, move it, and leave a bag with all in it', () => {
    expect(withPlace(ridge, 'l24', 1, sling).entries).toHaveLength(4)
    expect(withPlace(ridge, 'lb4', 3, { where: 'worn', person: 'ines', unplaced: false }).entries!.at(-1)).toEqual({ item: 'lb4', count: 3, place: { where: 'worn', person: 'ines', unplaced: false } })
    expect(withPlace(ridge, 'sling', 1, null).entries!.map((e) => e.item)).toEqual(['c1'])
  })
  it('do the moves that would help', () => {
    const made = edited(ridge, [{ act: 'move', item: 'c1', place: sling }], new Map([['c1', 1]]))
    expect(made.entries!.find((e) => e.item === 'c1')!.place).toEqual(sling)
  })
  it('begin with a bag and an id of their own', () => {
    const made = fresh([{ ...ridge, id: 'out-1' }], ridge.entries![0])
    expect([made.id, made.entries!.map((e) => e.item)]).toEqual(['out-2', ['sling']])
  })
})
