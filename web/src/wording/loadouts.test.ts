import { describe, expect, it } from 'vitest'
import type { Loadout, Mark, Outing } from '@/api/types'
import { NAMES } from '@/testing/mount'
import { part } from '@/testing/part'
import { alongNow, asEdits, atTheBase, changedOuting, changeText, doorList, edited, fresh, moveText, placeName, withPlace } from './loadouts'

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
    const out = doorList('out', '2027-02-23', part<Outing>({ kit, back }), NAMES)
    expect(out.map((l) => l.line)).toEqual(['out.2027-02-23.sling#1', 'out.2027-02-23.c1#1', 'out.2027-02-23.lb4#1', 'out.2027-02-23.lb4#2'])
    expect(out[2]).toMatchObject({ head: 'LB4 × 2', body: 'SLING' })
    expect(doorList('back', '2027-02-23', part<Outing>({ kit, back }), NAMES)).toEqual([{ line: 'back.2027-02-23.lb4#1', head: 'LB4 × 3', body: 'CUBE' }])
    // Such a line is none of the list of packing, and names no place.
    for (const { line } of out) expect(line).toMatch(/^[a-z0-9:.#-]+$/)
  })
  describe('as changed on the way', () => {
    const kit = { id: 'b', name: 'B', note: '', stow: {}, entries: ridge.entries! }
    const home = [{ item: 'tele', count: 1, place: { where: 'bag', bag: 'cube', outside: false } as const }]
    const outing = part<Outing>({ kit, stays: { tele: 1, lb4: 2 }, back: [{ item: 'lb4', count: 2, from_place: sling, to_place: home[0]!.place }] })
    const said = (what: Record<string, number | null>) => ({ now: new Map(Object.entries(what).map(([item, count]) => [`along:2027-02-23.${item}`, part<Mark>({ what: { do: 'along', day: '2027-02-23', item, count } })])) })
    it('count what goes along against the plan', () => {
      const along = alongNow('2027-02-23', outing, said({ tele: 1, lb4: 1, c1: null }))
      expect(along.map((a) => [a.item, a.planned, a.now, a.most])).toEqual([['sling', 1, 1, 1], ['c1', 1, 1, 1], ['lb4', 2, 1, 4], ['tele', 0, 1, 1]])
      expect(alongNow('2027-02-24', outing, said({ tele: 1 })).every((a) => a.now === a.planned)).toBe(true)
      expect(alongNow('2027-02-23', outing, said({ tele: 9 })).at(-1)!.now).toBe(1)
    })
    it('are lines to tick, out and back, and edits of the plan', () => {
      const along = alongNow('2027-02-23', outing, said({ tele: 1, lb4: 1 }))
      const made = changedOuting(outing, along, home)
      expect(doorList('out', '2027-02-23', made, NAMES).map((l) => `${l.head}: ${l.body}`)).toEqual(['SLING: carried by ines', 'C1: on ines', 'LB4: SLING', 'TELE: SLING'])
      expect(doorList('back', '2027-02-23', made, NAMES).map((l) => `${l.head}: ${l.body}`)).toEqual(['LB4: CUBE', 'TELE: CUBE'])
      expect(made.stays).toEqual({ lb4: 3 })
      expect(asEdits(along)).toEqual([{ act: 'leave', item: 'lb4', count: 1 }, { act: 'load', item: 'tele', count: 1 }])
      expect(changeText(along.at(-1)!, () => 1396, NAMES, 'metric')).toBe('+1396 g TELE')
    })
    it('are nothing where nothing was changed', () => {
      expect(changedOuting(outing, alongNow('2027-02-23', outing, said({})), home)).toBe(outing)
    })
  })
  it('say where what stays lies at the base', () => {
    const entries = [
      { item: 'c2', count: 1, place: { where: 'bag', bag: 'cube', outside: false } as const },
      { item: 'duffel', count: 1, place: { where: 'piece', piece: 'hold', person: 'ines' } as const },
    ]
    expect(atTheBase({ c2: 1, duffel: 1 }, entries, NAMES)).toEqual(['C2 (CUBE)', 'DUFFEL'])
  })
  it('take a thing in, move it, and leave a bag with everything in it', () => {
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
