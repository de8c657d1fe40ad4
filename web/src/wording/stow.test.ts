import { describe, expect, it } from 'vitest'
import type { Check, LeftOver, Thing } from '@/api/types'
import { judged, placed, roomUse, stowage } from '@/testing/answers'
import { NAMES } from '@/testing/mount'
import { part } from '@/testing/part'
import { against, decided } from './gate'
import { alternativeText, awayText, balance, blockName, corner, findThing, leftHead, reach, roomName } from './stow'

const room = roomUse()
const lies = placed()

describe('where things lie', () => {
  it('names bundles, pairs and pieces', () => {
    expect(blockName(lies, NAMES.thing)).toBe('LB4 × 3')
    expect(blockName({ items: ['c1', 'l24'], count: 1 }, NAMES.thing)).toBe('C1 + L24')
    expect(blockName({ items: ['torch'], count: 1, number: 2 }, NAMES.thing)).toBe('TORCH no. 2')
  })
  it('says the corner, what is on top, and the balance', () => {
    expect(corner(lies, room)).toBe('low, right, halfway out')
    expect(reach(lies, room)).toBe('nothing on top, quick: bag stays on your back')
    expect(reach({ ...lies, layer: 2 }, room)).toBe('2 items on top')
    expect(balance(room)).toBe('12 mm below the middle, 3 mm right')
    expect(roomName(room, NAMES.thing)).toBe('RIDGE, lid pocket')
  })
  it('finds a thing by part of its name, hard, soft or outside', () => {
    const packed = stowage({ rooms: [room], placed: [lies], soft: [{ item: 'lb-cloth', count: 1, room: 'ridge/lid', litres: 0.1, mass_g: 12 }], strapped: [{ item: 'lb-mat', bag: 'ridge', count: 1 }] })
    expect(findThing(packed, 'lb', NAMES.thing).map((f) => f.where.split(' › ')[0])).toEqual(['RIDGE, lid pocket', 'RIDGE, lid pocket', 'strapped outside RIDGE'])
    expect(findThing(packed, ' ', NAMES.thing)).toEqual([])
  })
  it('says why something is left over, and whether that is proved', () => {
    const over: LeftOver = { item: 'tele', count: 1, bag: 'ridge', why: 'no-room', proof: 'proved', helps: [], tried: true, owned: [] }
    expect(leftHead(over, NAMES.thing)).toBe('TELE has no room in RIDGE (proved).')
    expect(leftHead({ ...over, count: 2, why: 'no-time', proof: 'ran-out' }, NAMES.thing)).toBe('TELE × 2 has no place in RIDGE yet (time ran out before everything was tried).')
    expect(leftHead({ ...over, why: 'never-hold' }, NAMES.thing)).toBe('TELE never goes in the hold (proved).')
  })
  it('says whether the other thing of a slot would fit', () => {
    const slots = [{ id: 's', name: 'Long or high', items: ['tele', 'drone'] }]
    const one = { slot: 's', item: 'drone', instead_of: 'tele', bag: 'ridge', fits: true }
    expect(alternativeText(one, slots, NAMES.thing)).toBe('Long or high: DRONE would fit, too.')
    expect(alternativeText({ ...one, fits: false }, slots, NAMES.thing)).toBe('▲ Long or high: DRONE does not fit in the place of TELE.')
  })
  it('says why a thing is not here, and when it will be', () => {
    expect(awayText(part<Thing>({ absent: { reason: 'hired-later', until: '2027-02-12' } }))).toContain('12 Feb')
    expect(awayText({} as Thing)).toBe('')
  })
})

describe('the gate', () => {
  const bank = judged()
  it('says what decides', () => {
    expect(decided(bank)).toBe('90 Wh a piece, in the hold')
    expect(decided({ ...bank, held: false, why: 'count', total: 24, most: 20 })).toBe('24 of at most 20, in the cabin')
    expect(decided({ ...bank, held: false, bag: null, wh: null })).toBe('on the person')
  })
  it('puts each figure against its limit in its unit', () => {
    const check = (limit: Check['limit'], value: number, allowed: number) => ({ limit, value, allowed }) as Check
    expect(against(check('mass', 8567, 8000), 'metric')).toBe('8.57 kg of 8.00 kg')
    expect(against({ ...check('sum', 1050, 1150), size_mm: [500, 360, 190], squeeze_mm: 0 }, 'metric')).toBe('105 cm; 115 cm allowed')
    expect(against({ ...check('size', 170, 230), size_mm: [500, 360, 190], frame_mm: [550, 400, 230], squeeze_mm: 20 }, 'metric')).toBe('50 × 36 × 19 cm, gives 2 cm; 55 × 40 × 23 cm allowed')
    expect(against(check('count', 2, 1), 'metric')).toBe('2 of 1')
  })
})
