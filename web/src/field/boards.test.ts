import { describe, expect, it } from 'vitest'
import type { Entry, Mark, Thing } from '@/api/types'
import { part } from '@/testing/part'
import { carded, cards, copied, dayToShow, packs, safeToErase, turned } from './boards'
import { standing } from './subjects'

const things = new Map([
  ['lb', part<Thing>({ id: 'lb', kind: 'battery', name: 'LB-4' })],
  ['sd', part<Thing>({ id: 'sd', kind: 'card', name: 'SD 128' })],
])
const entries = part<Entry[]>([
  { item: 'lb', count: 2, place: { where: 'bag', bag: 'a' } },
  { item: 'lb', count: 1, place: { where: 'worn', person: 'ines' } },
  { item: 'sd', count: 2, place: { where: 'bag', bag: 'a' } },
])
const mark = (what: Mark['what']): Mark => ({ id: 'm1', device: 'd', seq: 1, at: '', after: [], what })

describe('boards', () => {
  it('show every piece once, ready and blank until somebody says otherwise', () => {
    const stands = standing(undefined, [mark({ do: 'pack', item: 'lb', piece: 3, state: 'spent' })])
    expect(packs(entries, things, stands).map((p) => p.state)).toEqual(['ready', 'ready', 'spent'])
    expect(cards(entries, things, stands).map((c) => [c.piece, c.state])).toEqual([[1, 'blank'], [2, 'blank']])
  })
  it('go round from ready to ready, from what they are by then', () => {
    const pack = { item: 'lb', piece: 2, name: 'LB-4', state: 'ready' } as const
    let stands = standing(undefined, [])
    const states = Array.from({ length: 4 }, () => {
      const what = turned(pack)(stands)
      stands = standing(undefined, [mark(what)])
      return what.do === 'pack' && what.state
    })
    expect(states).toEqual(['in-use', 'spent', 'charging', 'ready'])
  })
  it('count every tap of a copy, and none from before the card was shot on again', () => {
    const card = { item: 'sd', piece: 1, name: 'SD 128', state: 'full', copies: 0 } as const
    let stands = standing(undefined, [mark(carded(card, 'full'))])
    for (let tap = 0; tap < 2; tap++) stands = standing(undefined, [mark(copied(card)(stands))])
    expect(cards(entries, things, stands)[0]).toMatchObject({ state: 'full', copies: 2 })
    stands = standing(undefined, [mark(carded(card, 'in-use'))])
    expect(cards(entries, things, stands)[0]).toMatchObject({ state: 'in-use', copies: 0 })
    for (let tap = 0; tap < 12; tap++) stands = standing(undefined, [mark(copied(card)(stands))])
    expect(cards(entries, things, stands)[0]!.copies).toBe(9)
  })
  it('let a card be erased only when its pictures are in enough places', () => {
    const stands = standing(undefined, [mark({ do: 'card', item: 'sd', piece: 1, state: 'full', copies: 1 })])
    const [full, blank] = cards(entries, things, stands)
    expect(safeToErase(full!, 2)).toBe(false)
    expect(safeToErase(full!, 1)).toBe(true)
    expect(safeToErase(blank!, 2)).toBe(true)
  })
  it('show today, else what comes next, else the last day', () => {
    const dates = ['2027-02-20', '2027-02-21', '2027-02-23']
    expect(dayToShow(dates, '2027-02-21')).toBe('2027-02-21')
    expect(dayToShow(dates, '2027-02-22')).toBe('2027-02-23')
    expect(dayToShow(dates, '2028-01-01')).toBe('2027-02-23')
    expect(dayToShow([], '2027-02-21')).toBeUndefined()
  })
})
