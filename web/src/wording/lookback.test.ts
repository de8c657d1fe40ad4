import { describe, expect, it } from 'vitest'
import type { Lesson, Rate } from '@/api/types'
import { NAMES } from '@/testing/mount'
import { adviceText, againstText, lackText, rateText, wearText } from './lookback'

const advice = (one: Lesson): string => adviceText(one, NAMES.thing, 'metric')

describe('what to do next time', () => {
  it('is an action with its grams and its reason', () => {
    expect(advice({ code: 'leave', item: 'tele', mass_g: 1400, trips: 2 })).toBe('Leave TELE: 1400 g, never used on two trips running.')
    expect(advice({ code: 'leave', item: 'tele', mass_g: 400, trips: 1 })).toBe('Leave TELE: 400 g, never used.')
    expect(advice({ code: 'take', item: 'wide', mass_g: 476, missed: { of: 'reach', focal_mm: 14, times: 1 } })).toBe('Take WIDE, 476 g: 14 mm full-frame was missed once.')
    expect(advice({ code: 'rent', missed: { of: 'reach', focal_mm: 800, times: 3 } })).toBe('Nothing you own reaches 800 mm full-frame, missed three times: rent or borrow it.')
    expect(advice({ code: 'service', item: 'cover', note: 'the drawstring slips' })).toBe('Have COVER checked: the drawstring slips.')
    const pol = { of: 'effect', effect: 'polariser', lens: 'wide', times: 1 } as const
    expect(advice({ code: 'take', item: 'pol', mass_g: 40, missed: { ...pol, times: 2 } })).toBe('Take POL, 40 g: a polariser on WIDE was missed twice.')
    expect(advice({ code: 'ring', item: 'pol', lens: 'wide', from_mm: 67, to_mm: 82, missed: pol })).toBe('Add a step-up ring 67 to 82 mm, about 9 g: then POL goes on WIDE. A polariser on WIDE was missed once.')
    expect(advice({ code: 'rent', missed: pol })).toBe('Nothing you own puts a polariser on WIDE, missed once: rent or borrow it.')
    expect(advice({ code: 'rent', item: 'pol', missed: pol })).toBe('Rent or borrow POL: a polariser on WIDE was missed once.')
    expect(advice({ code: 'retire', item: 'lb4', health: 1, cycles: 512 })).toBe('LB4 was charged 512 times each: test what it still holds, and replace it if it is tired.')
    expect(advice({ code: 'retire', item: 'lb4', health: 0.7, cycles: 0 })).toBe('LB4 holds 70 % of a new one: replace it.')
    expect(advice({ code: 'keep', item: 'aid', mass_g: 240 })).toBe('AID stays in the kit, used or not.')
  })
})

describe('what was missed most', () => {
  it('is a length, a filter, or words', () => {
    const lack = { focal_mm: null, effect: null, wanted: '', times: 1 }
    expect(lackText({ ...lack, focal_mm: 300, times: 2 })).toBe('300 mm full-frame, twice')
    expect(lackText({ ...lack, effect: 'nd' })).toBe('a neutral density, once')
    expect(lackText({ ...lack, wanted: 'a longer lunch' })).toBe('a longer lunch, once')
  })
})

describe('packs', () => {
  it('say how often each was charged', () => {
    const wear = { item: 'lb4', pieces: 6, charges: 14, cycles: 102.3, health: 0.9 }
    expect(wearText(wear, NAMES.thing)).toEqual({ head: 'LB4 × 6', cycles: '102', health: '90 %' })
    expect(wearText({ ...wear, pieces: 1, cycles: 2.3 }, NAMES.thing)).toMatchObject({ head: 'LB4', cycles: '2.3' })
  })
})

describe('measured rates', () => {
  it('stand beside what was planned, with what they rest on', () => {
    const rate: Rate = { item: 'c1', what: 'frames-per-charge', value: 391.4, before: 400, from_: 3, by_cold: [{ at_c: 0, packs: 1, frames: 318 }] }
    expect(rateText(rate, NAMES.thing, 'metric')).toEqual({ head: 'C1: frames a charge at 20 °C', was: '400', now: '391', from: '3 notes; 318 near 0 °C' })
    expect(rateText({ ...rate, what: 'mb-per-frame', value: 55.3, before: null, by_cold: [] }, NAMES.thing, 'metric')).toMatchObject({ was: 'typical', now: '55.3 MB' })
  })
  it('say what was not noted', () => {
    expect(againstText({ what: 'cold', planned: -6, happened: null, ref: '' }, NAMES.thing, 'metric')).toEqual({ head: 'coldest', planned: '−6 °C', happened: 'not noted' })
    expect(againstText({ what: 'mass', planned: 8000, happened: 8412, ref: 'ridge' }, NAMES.thing, 'metric')).toEqual({ head: 'RIDGE', planned: '8.00 kg', happened: '8.41 kg' })
  })
})
