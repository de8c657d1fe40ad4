import { describe, expect, it } from 'vitest'
import { finding } from '@/testing/findings'
import { NAMES } from '@/testing/mount'
import { say } from './findings'
import { eaterSum, gb, hours, madeSum, pieceName } from './stamina'

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
  it('sums can be redone by hand and say where the rates come from', () => {
    const parts = [
      { amount: 600, unit: 'frames' as const, per_charge: 400, source: 'stated' as const },
      { amount: 10, unit: 'video-min' as const, per_charge: 90, source: 'typical' as const },
    ]
    expect(eaterSum({ item: 'c1', charges: 1.61, wh: 26, times: 1, parts }, NAMES.thing)).toBe('C1: 600 frames / 400 a charge, stated + 10 min of video / 90, typical = 1.61 of a charge')
    const lamp = { item: 'lamp', charges: 0.45, wh: 1, times: 3, parts: [{ amount: 3, unit: 'hours' as const, per_charge: 20, source: 'typical' as const }] }
    expect(eaterSum(lamp, NAMES.thing)).toContain('LAMP: 3 × 3 h / 20 h a charge, typical')
    expect(eaterSum({ item: 'phone', charges: 0.7, wh: 10, times: 1, parts: [{ amount: 0.7, unit: 'share', per_charge: 1, source: 'stated' }] }, NAMES.thing)).toBe('PHONE: 70 % = 0.70 of a charge')
    expect(madeSum({ body: 'c1', frames: 700, mb_per_frame: 54, mb_source: 'computed', stills_gb: 37.8, video_gb: 0 })).toBe('700 frames × 54 MB, computed = 38 GB')
  })
  it('number a pack only where there are several', () => {
    expect(pieceName(['lb-4', 2], NAMES.thing)).toBe('LB-4 no. 2')
    expect(pieceName(['laptop', 1], NAMES.thing, 1)).toBe('LAPTOP')
  })
  it('a dry pack says the day, the sum and what stops', () => {
    const said = say(
      finding('power-short', { need_wh: 35.7, ready_wh: 20.4, got_wh: 20.4, margin: -0.43, lowest_c: -4, items: ['c1', 'c2'], type: 'lb-4', on: '2027-02-26' }),
      NAMES,
      'metric',
    )
    expect(said.head).toBe('LB-4 runs out on Fri 26 Feb.')
    expect(said.body).toBe('35.7 Wh needed, 20.4 Wh usable that morning at −4 °C: 57 % of the day. Then C1 and C2 stop.')
  })
  it('cards that run out say how many would do', () => {
    expect(say(finding('cards-full', { lost_gb: 320, more: 16, types: ['SD'], on: '2027-02-23' }), NAMES, 'metric').body).toBe('320 GB too few for the trip; 16 more cards are enough.')
  })
})
