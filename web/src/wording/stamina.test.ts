import { describe, expect, it } from 'vitest'
import type { Finding } from '@/api/types'
import { NAMES } from '@/testing/mount'
import { cureText, say } from './findings'
import { gb, hours, pieceName } from './stamina'

function finding(code: string, more: Partial<Finding> = {}): Finding {
  return { code, severity: 'caution', station: 'stamina', numbers: {}, items: [], refs: {}, cures: [], ...more }
}

describe('packs and cards in words', () => {
  it.each([
    [0, '0 min'],
    [0.004, 'under 1 min'],
    [0.75, '45 min'],
    [2, '2 h'],
    [2.5, '2 h 30'],
  ])('%d hours are %s', (value, text) => expect(hours(value)).toBe(text))
  it('sizes carry their unit', () => {
    expect([gb(5.42), gb(53.1), gb(1162)]).toEqual(['5.4 GB', '53 GB', '1.16 TB'])
  })
  it('number a pack only where there are several', () => {
    expect(pieceName('lb-4#2', NAMES.thing)).toBe('LB-4 no. 2')
    expect(pieceName('laptop#1', NAMES.thing, 1)).toBe('LAPTOP')
  })
  it('a dry pack says the day, the sum and what stops', () => {
    const said = say(
      finding('power-short', { numbers: { need_wh: 35.7, ready_wh: 20.4, got_wh: 20.4, margin: -0.43, lowest_c: -4 }, items: ['c1', 'c2'], refs: { type: 'lb-4', date: '2027-02-26' } }),
      NAMES,
      'metric',
    )
    expect(said.head).toBe('LB-4 runs dry on Fri 26 Feb.')
    expect(said.body).toBe('35.7 Wh asked, 20.4 Wh usable that morning at −4 °C: 57 % of the day. Then C1 and C2 stop.')
  })
  it('cards that run out say how many would do', () => {
    expect(say(finding('cards-full', { numbers: { lost_gb: 320, more: 16 }, refs: { type: 'SD', date: '2027-02-23' } }), NAMES, 'metric').body).toBe('320 GB of the trip find no SD card; 16 more would do.')
  })
  it('packs that are owned are loaded, the others are to be had', () => {
    const cure = { code: 'get-packs', edits: [{ act: 'load' as const, item: 'lb-4', count: 2 }], mass_change_g: 246, numbers: { packs: 1 } }
    expect(cureText(cure, NAMES, 'metric')).toBe('Load 2 LB-4 and get 1 more (+246 g)')
  })
  it.each([
    ['get-packs', { packs: 3 }, 246, 'Buy, borrow or hire 3 more packs (+246 g)'],
    ['erase-after', { copies: 2 }, 0, 'Or erase a card once it has 2 copies: then the cards last (0 g)'],
    ['power-bank-by-day', {}, 0, 'Or top up from a bank in the bag by day: then it lasts (0 g)'],
  ])('%s is a way out in words', (code, numbers, mass_change_g, text) => {
    expect(cureText({ code, edits: [], mass_change_g, numbers }, NAMES, 'metric')).toBe(text)
  })
})
