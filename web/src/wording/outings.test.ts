import { describe, expect, it } from 'vitest'
import type { AtBase, ByDays, Day, DayBag, Loadout, ProposedOuting, WantDays } from '@/api/types'
import { part } from '@/testing/part'
import type { Names } from './names'
import { alike, asOuting, baseText, byDaysText, outThere, packsText, shareText, summaryText, wantText } from './outings'

const names: Names = { thing: (id) => ({ 'phone-ines': 'Phone, Ines' })[id] ?? id, person: (id) => id, leg: (id) => id, want: () => 'Sea eagles' }
const want = (wanted: string[], there: string[]): WantDays => ({ want: 'eagles', best: 1, wanted, there })

describe('the day’s bag in words', () => {
  it('says on which days a want is out there', () => {
    expect(wantText(want(['2027-02-24', '2027-02-25', '2027-02-26'], ['2027-02-24', '2027-02-25']), names)).toBe('Sea eagles: planned for 3 days, within reach on 2 (not Fri 26 Feb)')
    expect(wantText(want(['2027-02-26'], ['2027-02-26']), names)).toBe('Sea eagles: planned for Fri 26 Feb, and within reach')
    expect(wantText(want(['2027-02-25', '2027-02-26'], []), names)).toBe('Sea eagles: planned for 2 days, and never within reach')
    expect(wantText(want([], []), names)).toBe('Sea eagles: planned for no day')
  })
  it('counts what is out there', () => {
    const of = (...there: boolean[]) => outThere({ wants: there.map((t, i) => ({ want: String(i), cover: 1, whole: 1, there: t })) })
    expect([of(), of(true), of(true, true), of(true, true, true), of(true, false)]).toEqual(['no shots planned', 'its shot is within reach', 'both shots within reach', 'all 3 shots within reach', '1 of 2 shots within reach'])
  })
  it('says how the days are judged, and what they cost the brief', () => {
    const by = (outings: number, score: number) => ({ days: Array(9).fill({}) as DayBag[], wants: [], outings, score, whole: 96 }) as ByDays
    expect(byDaysText(undefined)).toBe('')
    expect(byDaysText(by(3, 92))).toBe('by each day’s bag 92\u00a0%')
    const short = { ...by(3, 96), days: part<DayBag[]>([{ loadout: 'a', wants: [{ there: false }] }, { loadout: null, wants: [{ there: false }] }, { loadout: 'b', wants: [{ there: true }] }]) }
    expect(byDaysText(short)).toBe('one day’s bag falls short')
    expect(summaryText(by(0, 96))).toContain('No day has its own bag yet')
    expect(summaryText(by(3, 92))).toBe('3 of 9 days have their own bag; the others are checked with everything that travels. Brief by each day’s bag 92 %, with everything that travels 96 %.')
    expect(summaryText(by(9, 96))).toBe('Every day has its own bag.')
  })
  it('tells packs by type and batteries inside by name', () => {
    expect(packsText({ type: 'LB-4', packs: 2, need_wh: 35.7, ready_wh: 20.4, short: true }, names)).toBe('LB-4: 35.7 Wh needed, 20.4 ready in 2 batteries')
    expect(packsText({ type: 'phone-ines', packs: 1, need_wh: 9, ready_wh: 14, short: false }, names)).toBe('Phone, Ines: 9.0 Wh needed, 14.0 ready')
  })
  it('finds days of one sort that shoot the same', () => {
    const day = (date: string, pattern: string | null, wants: string[]) => ({ date, title: date, pattern, wants }) as Day
    const days = [day('a', 'hut', ['x', 'y']), day('b', 'hut', ['y', 'x']), day('c', 'hut', ['x']), day('d', null, ['x', 'y'])]
    expect(alike(days, 'a')).toEqual(['a', 'b'])
    expect(alike(days, 'e')).toEqual([])
  })
  it('makes a proposal the outing of its days, which are no other’s any more', () => {
    const before = [{ id: 'out-1', name: 'Old', days: ['2027-02-24', '2027-02-26'], legs: [], entries: [], mounts: [] }] as Loadout[]
    const made = part<ProposedOuting>({ way: 'one-zoom', kit: { entries: [{ item: 'c1', count: 1, place: { where: 'worn', person: 'ines' } }] } })
    const after = asOuting(before, made, ['2027-02-24', '2027-02-25'], 'Hut')
    expect(after.id).toBe('out-2')
    expect(after.loadouts.map((l) => l.days)).toEqual([['2027-02-26'], ['2027-02-24', '2027-02-25']])
    expect(after.loadouts[1]).toMatchObject({ name: 'Hut, one zoom', entries: made.kit.entries })
    expect(before[0]!.days).toHaveLength(2)
  })
})

it('what the safe takes first, and packs in a car', () => {
  const names = { thing: (id: string) => ({ ssd: 'Disk', body: 'Body', pack: 'Pack' })[id] ?? id, person: String, leg: String, want: String }
  const plain = { sort: 'room', locked: [{ item: 'ssd', count: 1, inside: 1, rank: 0 }, { item: 'body', count: 2, inside: 2, rank: 1 }], proved: true, packs: {}, left: null } as AtBase
  expect(baseText(plain, names)).toEqual(['Put your valuables into the safe, in this order: Disk and 2 × Body.'])
  const tight = { ...plain, locked: [plain.locked![0]!, { ...plain.locked![1]!, inside: 1 }] }
  expect(baseText(tight, names)).toEqual(['Into the safe first: Disk and Body. No room for Body.'])
  expect(baseText({ ...tight, proved: false }, names)[0]).toContain('No room was found in time')
  expect(baseText({ sort: 'car', locked: null, proved: true, packs: { pack: 3 }, left: 0.65 }, names)).toEqual(['3 × Pack lie in the car. At the coldest hour they give 65 % of their energy (estimate); warm them up before you go. A car in the sun gets over 60 °C: no lithium stays in it then.'])
  expect(baseText({ sort: 'room', locked: null, proved: true, packs: {}, left: null }, names)).toEqual([])
})

it('a point between light and complete', () => {
  expect(shareText({ carried_g: 6070, score: 88, whole_score: 88 }, 'metric')).toBe('6.07 kg for all of it')
  expect(shareText({ carried_g: 4980, score: 71, whole_score: 88 }, 'metric')).toBe('4.98 kg for 81 % of it')
})
