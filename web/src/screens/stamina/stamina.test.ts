// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Day, PackDay, PowerAdvice, PowerDay, Stamina, StaminaReport, Storage, StorageDay } from '@/api/types'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import { part } from '@/testing/part'
import DayPanel from './DayPanel.vue'
import LossSchools from './LossSchools.vue'
import SettingsPanel from './SettingsPanel.vue'
import StaminaDays from './StaminaDays.vue'
import StaminaTables from './StaminaTables.vue'

let shown: ReturnType<typeof mounted>
beforeEach(() => signedIn())
afterEach(() => shown.unmount())

const flat = (text: string): string => text.replaceAll(/\s+/g, ' ')
const pack = (number: number, more: Partial<PackDay>): PackDay => ({ pack: ['lb-4', number], full_wh: 16, start_wh: 16, drawn_wh: 0, cold_wh: 0, topped_up_wh: 0, evening_wh: 16, charged_wh: 0, warm: number > 1, order: null, ...more })
const power = (date: string, more: object = {}): PowerDay =>
  ({
    date,
    lowest_c: -9,
    usable_cold: 0.665,
    usable_warm: 0.8325,
    night_h: 0,
    outlets: 0,
    types: [{ type: 'LB-4', need_wh: 24, got_wh: 12, ready_wh: 12, margin: -0.5, bare: false, loads: [{ item: 'c1', charges: 1.5, wh: 24, times: 1, parts: [] }] }],
    packs: [pack(1, { drawn_wh: 10.6, cold_wh: 5.4, evening_wh: 0, order: 1 }), pack(2, {})],
    banks: [],
    charges: [],
    ...more,
  }) as PowerDay
const stored = (date: string, more: object = {}): StorageDay => ({ date, made: [{ body: 'c1', frames: 600, mb_per_frame: 54, mb_source: 'computed' as const, stills_gb: 32.4, video_gb: 3 }], cards: [], lost_gb: 0, copies: 1, copying: [], minutes: 0, cards_left: { SD: 2 }, erased: [], ...more }) as StorageDay
const days = [{ date: '2027-02-24', title: 'Hut' }, { date: '2027-02-25', title: 'Coast' }] as Day[]
const report = part<StaminaReport>({
  power: { days: [power('2027-02-24'), power('2027-02-25', { night_h: 8, outlets: 2, types: [] })], types: [{ type: 'LB-4', packs: 2, short_on: '2027-02-24', worst_margin: -0.5, worst_on: '2027-02-24' }], useless: [], days_carried: 0 },
  pictures: { days: [stored('2027-02-24'), stored('2027-02-25', { lost_gb: 12, copies: 0 })], types: [], gone: [], asked_copies: 2, days_carried: 1, drive_gb: 70, unread: [], one_slot: [], one_card: [], together: false },
  lasts: {},
})

describe('days as columns', () => {
  it('name the short day in words, say where there is no mains and no card, and open a day', async () => {
    shown = mounted(StaminaDays, { report, days, short: new Set([0]), chosen: 0, types: new Map([['lb-4', 'LB-4']]), names: NAMES })
    const text = flat(shown.text())
    expect(text).toContain('Wed 24 Feb▲ short')
    expect(text).toContain('none')
    expect(text).toContain('8 h')
    expect(text).toContain('50 %')
    expect(text).toContain('▲ no card')
    await shown.findAll('.head')[1]!.trigger('click')
    expect(shown.emitted('choose')).toEqual([[1]])
  })
  it('have a hollow mark for each place that is missing', () => {
    shown = mounted(StaminaDays, { report, days, short: new Set([0]), chosen: 0, types: new Map(), names: NAMES })
    expect(shown.findAll('.copy.missing')).toHaveLength(1 + 2)
  })
  it('stand in a plain table as well', () => {
    shown = mounted(StaminaTables, { power: report.power, pictures: report.pictures, names: NAMES })
    const rows = shown.findAll('tbody tr').map((r) => flat(r.text()))
    expect(rows[0]).toBe('Wed 24 Feb−9 °Cnone24.0 / 12.0')
    expect(rows[3]).toBe('Thu 25 Feb60035 GB12 GB02 SD')
  })
})

describe('one day', () => {
  const props = { patterns: [{ id: 'full', name: 'Full' }], usual: { mains_h: 8, outlets: 2 }, errors: {}, index: 0, names: NAMES }
  it('can be reckoned again by hand', () => {
    shown = mounted(DayPanel, { ...props, day: days[0]!, power: power('2027-02-24'), pictures: stored('2027-02-24') })
    const text = flat(shown.text())
    expect(text).toContain('67 % usable outside, 83 % in a pocket')
    expect(text).toContain('LB-4C1 1.50×24.0 Wh12.0 Wh▲ 50 % met')
    // 16.0 - 10.6 - 5.4 = 0.0
    expect(text).toContain('LB-4 no. 116.010.65.40.0')
    expect(text).toContain('C1: 600 frames × 54 MB, computed = 32 GB, and 3.0 GB of video.')
    expect(text).toContain('No mains, and no power bank with charge left.')
  })
  it('shows a night as a timetable in words too', () => {
    const charges = [{ source: 'dual', socket: 1, by: 'dual', pack: ['lb-4', 1], from_h: 0, to_h: 2.5, wh: 16 }]
    shown = mounted(DayPanel, { ...props, day: days[0]!, power: power('2027-02-24', { night_h: 8, outlets: 1, charges }), pictures: stored('2027-02-24') })
    expect(shown.find('svg[aria-label^="Charging"]').attributes('aria-label')).toContain('LB-4 no. 1 0 min to 2 h 30')
  })
  it('takes hours of mains and keeps the rest of the night', async () => {
    shown = mounted(DayPanel, { ...props, day: days[0]!, power: power('2027-02-24'), pictures: stored('2027-02-24') })
    await shown.findAll('input').find((i) => i.element.closest('.v-input')?.textContent?.includes('Mains'))!.setValue('3')
    expect(shown.emitted('update:day')!.at(-1)).toEqual([{ ...days[0], night: { mains_h: 3, outlets: 2, car_h: 0 } }])
  })
})

describe('losses and schools', () => {
  const pictures = part<Storage>({ gone: [{ what: 'bag', item: 'ridge', number: null, days: ['2027-02-24', '2027-02-25'], gb: 61, on: '2027-02-25' }, { what: 'card', item: 'sd', number: 1, days: [], gb: 0, on: null }] })
  const advice = part<PowerAdvice>({
    fewest: [{ type: 'LB-4', item: 'lb-4', packs: 6, loaded: 3, mass_g: 246 }, { type: 'AAA', item: null, packs: null, loaded: 0, mass_g: 0 }],
    savings: [{ item: 'bank', type: 'LB-4', packs: 1, mass_g: 130 }],
    schools: [{ school: 'packs-only', packs: 29, grams: 2030, short_on: '2027-02-21', sockets: 0 }, { school: 'charge-nightly', packs: 11, grams: 880, short_on: null, sockets: 2 }],
    losses: [{ item: 'charger', days: 4, types: ['LB-4'] }],
    claims: [{ item: 'bank', energy_wh: 90, gives_wh: 58.5, type: 'LB-4', refills: 3.656, claimed: 11.25 }],
  })
  it('say what would be gone, how few packs do, and what a bank gives', async () => {
    shown = mounted(LossSchools, { pictures, told: { advice, stands: true }, school: 'charge-nightly', names: NAMES })
    const text = flat(shown.text())
    expect(text).toContain('RIDGE, with everything in itWed 24 Feb, Thu 25 Feb61 GB')
    expect(text).toContain('LB-436+246 g')
    expect(text).toContain('CHARGER, one of them lost on day one: LB-4 runs out after 4 days.')
    expect(text).toContain('AAA0none in the locker')
    expect(text).toContain('BANK would save 1 LB-4 battery: +130 g in all.')
    expect(text).toContain('spare batteries only292.03 kgSun 21 Feb0')
    expect(text).toContain('58.5 Wh of it reaches a battery. That is 3.7 refills of LB-4, not the 11 its mAh suggest')
    await shown.findAll('button').find((b) => b.text() === 'spare batteries only')!.trigger('click')
    expect(shown.emitted('school')).toEqual([['packs-only']])
  })
})

describe('settings', () => {
  const stamina = part<Stamina>({ patterns: [{ id: 'full', name: 'Full', first: { frames: 600, video_min: 0, timelapse_h: 0 }, others: {}, phone: 0.7, laptop: 0, tablet: 0, flights: 0, light_h: 0, torch_h: 0 }], habits: [], power: 'charge-nightly', cards: 'fresh-daily' })
  it('name a new sort of day like the one chosen, with an id of its own', async () => {
    shown = mounted(SettingsPanel, { modelValue: stamina, errors: {}, bodies: [thing('c1', 'body')], paid: true })
    expect(flat(shown.text())).toContain('Copies (usually 3)')
    await shown.findAll('button').find((b) => b.text() === 'add')!.trigger('click')
    const sent = shown.emitted('update:modelValue')!.at(-1)![0] as Stamina
    expect(sent.patterns!.map((p) => [p.id, p.name])).toEqual([['full', 'Full'], ['own-2', 'Day like Full']])
  })
  it('take percent of a phone as a share', async () => {
    shown = mounted(SettingsPanel, { modelValue: stamina, errors: {}, bodies: [], paid: false })
    await shown.findAll('input').find((i) => i.element.closest('.v-input')?.textContent?.includes('Phone'))!.setValue('85')
    expect((shown.emitted('update:modelValue')!.at(-1)![0] as Stamina).patterns![0]!.phone).toBe(0.85)
  })
})
