// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Advice, Assessment, Trip } from '@/api/types'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import DropsPanel from '@/components/DropsPanel.vue'
import { part } from '@/testing/part'
import FiltersPanel from './FiltersPanel.vue'
import LossesPanel from './LossesPanel.vue'
import SlotCards from './SlotCards.vue'

let shown: ReturnType<typeof mounted>
const WANTS = [{ id: 'sea', name: 'Sea', importance: 1 }, { id: 'city', name: 'City', importance: 3 }]
beforeEach(() => signedIn())
afterEach(() => shown.unmount())

describe('leave first, load next', () => {
  const ledger = part<Advice['ledger']>({
    small: ['cap', 'cloth'],
    drops: [
      { item: 'spare', goes: ['ring'], points: 0, mass_g: 309, score: 90, total_g: 5000, over_g: 200, changes: [] },
      { item: 'tele', goes: [], points: 12.5, mass_g: 1396, score: 77.5, total_g: 3604, over_g: 0, changes: [{ want: 'sea', before: 0.9, after: 0.4 }] },
    ],
    additions: [
      { items: ['wide'], brings: ['pack'], mass_g: 582, points: 8, score: 98 },
      { items: ['fifty'], brings: [], mass_g: 200, points: 2, score: 92 },
    ],
  })

  it('says what goes with a thing, and where every leg takes the weight', async () => {
    shown = mounted(DropsPanel, { ledger, over: true, wants: WANTS, names: NAMES, busy: false })
    const rows = shown.findAll('tbody tr').map((r) => r.text())
    expect(rows[0]).toContain('SPARE with RING')
    expect(rows[1]).toContain('from here on every leg takes the weight')
    await shown.findAll('button').find((b) => b.text() === 'leave to here')!.trigger('click')
    expect(shown.emitted('edit')).toEqual([[['spare', 'ring', 'tele'].map((item) => ({ act: 'leave', item }))]])
  })
  it('opens what a figure is made of', async () => {
    shown = mounted(DropsPanel, { ledger, over: true, wants: WANTS, names: NAMES, busy: false })
    await shown.findAll('button').find((b) => b.text() === '12.5')!.trigger('click')
    const reason = document.querySelector('.reason')!.textContent.replaceAll(/\s+/g, ' ')
    expect(reason).toContain('Leaving TELE after those above')
    expect(reason).toContain('sea90 %40 %25 %−12.5')
    expect(reason).toContain('0.9 % per 100 g')
  })
  it('does not speak of legs where none is over', () => {
    shown = mounted(DropsPanel, { ledger, over: false, wants: WANTS, names: NAMES, busy: false })
    expect(shown.text()).not.toContain('every leg')
  })
  it('proposes within a budget of grams, with the links', async () => {
    shown = mounted(DropsPanel, { ledger, over: false, wants: WANTS, names: NAMES, busy: false })
    expect(shown.text()).toContain('WIDE with PACK')
    await shown.findAll('button').find((b) => b.text() === '300 g')!.trigger('click')
    expect(shown.text()).not.toContain('WIDE')
    await shown.findAll('button').find((b) => b.text() === 'load')!.trigger('click')
    expect(shown.emitted('edit')).toEqual([[[{ act: 'load', item: 'fifty', count: 1 }]]])
  })
  it('says so when nothing can go and nothing adds', () => {
    shown = mounted(DropsPanel, { ledger: { drops: [], small: [], additions: [] }, over: false, wants: WANTS, names: NAMES, busy: false })
    expect(shown.text()).toContain('Everything loaded is needed')
    expect(shown.text()).toContain('Nothing left at home adds')
  })
})

describe('losses and days', () => {
  const advice = part<Advice>({
    resilience: {
      share: 0.53,
      steady: [],
      losses: [
        { what: 'bag', item: 'ridge', out: [], score: 0, points: 95, wants: ['a'], days: 9, stops: true, pictures: true, changes: [], fails: [], backups: [] },
        { what: 'thing', item: 'body', out: [], score: 60, points: 35.5, wants: ['a', 'b'], days: 1, stops: false, pictures: false, changes: [{ want: 'sea', before: 0.9, after: 0.2 }], fails: ['trigger'], backups: [{ items: ['second'], mass_g: 489 }] },
      ],
    },
  })
  const told = { advice, stands: true }
  const assessment = part<Assessment>({
    lens_changes: [{ date: '2027-02-21', lenses: ['zoom', 'tele'], homes: [{ body: 'body', lens: 'zoom' }], changes: 1, exposed: true, second_body: null }],
    coverage: { headroom: [{ body: 'body', lens: 'zoom', from_mm: 70, to_mm: 95.9, megapixels: 24 }] },
  })

  it('tell what each costs and cure it', async () => {
    shown = mounted(LossesPanel, { assessment, told, wants: WANTS, names: NAMES, busy: false })
    const text = shown.text()
    expect(text).toContain('53 % of the brief survives any one loss')
    expect(text).toContain('no more pictures, 9 days, every picture taken')
    expect(text).toContain('35.5 % of the brief, 2 shots, 1 day')
    expect(text).toContain('then of no use: TRIGGER')
    await shown.findAll('button').find((b) => b.text().startsWith('Load SECOND'))!.trigger('click')
    expect(shown.emitted('edit')).toEqual([[[{ act: 'load', item: 'second', count: 1 }]]])
    await shown.findAll('button').find((b) => b.text().startsWith('35.5 %'))!.trigger('click')
    const reason = document.querySelector('.reason')!.textContent.replaceAll(/\s+/g, ' ')
    expect(reason).toContain('BODY is lost')
    // A want of importance 1 in 4 that falls from 90 to 20 % costs 0.25 × 70 points.
    expect(reason).toContain('sea90 %20 %25 %−17.5')
  })
  it('of the kit before the last click are told as such and cannot be done', async () => {
    shown = mounted(LossesPanel, { assessment, told: { advice, stands: false }, wants: WANTS, names: NAMES, busy: false })
    expect(shown.get('[role=status]').text()).toContain('from before your last click')
    shown.findAll('button').find((b) => b.text().startsWith('Load SECOND'))!.element.click()
    expect(shown.emitted('edit')).toBeUndefined()
  })
  it('say that they are on their way before the first answer', () => {
    shown = mounted(LossesPanel, { assessment, told: { advice: undefined, stands: false }, wants: WANTS, names: NAMES, busy: false })
    expect(shown.get('[role=status]').text()).toContain('Trying other kits')
    expect(shown.text()).toContain('ZOOM on BODY')
  })
  it('say so when no answer comes', () => {
    shown = mounted(LossesPanel, { assessment, told: { advice: undefined, stands: false, failed: true }, wants: WANTS, names: NAMES, busy: false })
    expect(shown.get('[role=status]').text()).toContain('No answer')
    expect(shown.get('[aria-busy]').attributes('aria-busy')).toBe('false')
  })
  it('tell which lens lives where, and how far a body crops', () => {
    shown = mounted(LossesPanel, { assessment, told, wants: WANTS, names: NAMES, busy: false })
    expect(shown.text()).toContain('ZOOM on BODY')
    expect(shown.text()).toContain('1 change, exposed')
    expect(shown.text()).toContain('BODY: from 70 mm you can crop to 96 mm and keep 24 MP.')
  })
})

describe('filters on lenses', () => {
  const fit = { filter: 'nd', parts: ['nd', 'ring'], to_load: ['ring'], mass_g: 9, rim_mm: 7.5, warnings: ['dark-corners'] } as const
  const filters = part<Advice['filters']>({
    effects: ['nd'],
    rows: [{ lens: 'wide', thread_mm: 77, widest_mm: 16, cells: [{ lens: 'wide', effect: 'nd', how: 'ring', fit, ways: 1 }] }],
    asked: [{ want: 'sea', effect: 'nd', stops: 6, bare: [{ from_mm: 16, to_mm: 35 }], stretches: [{ lens: 'wide', from_mm: 16, to_mm: 35, fit: null, together: false, loads: ['ring'], mass_g: 9 }], ways: [] }],
  })

  it('tell how, what is to load, and what darkens', async () => {
    shown = mounted(FiltersPanel, { trip: 't', kit: 'a', filters, loaded: new Map([['nd', 1]]), names: NAMES, busy: false })
    expect(shown.get('tbody tr').text()).toContain('by ring +9 g')
    expect(shown.get('tbody tr').text()).toContain('dark corners')
    expect(shown.get('td[title]').attributes('title')).toBe('ND and RING · rim 7.5 mm · to load: RING, +9 g')
    await shown.findAll('button').find((b) => b.text().startsWith('Load RING'))!.trigger('click')
    expect(shown.emitted('edit')).toEqual([[[{ act: 'load', item: 'ring', count: 1 }]]])
  })
  it('refuse a time that is none', async () => {
    shown = mounted(FiltersPanel, { trip: 't', kit: 'a', filters: { effects: [], rows: [], asked: [] }, loaded: new Map(), names: NAMES, busy: false })
    await shown.findAll('input')[1]!.setValue('fast')
    await shown.get('form').trigger('submit')
    expect(shown.text()).toContain('Times as 1/60')
    expect(shown.text()).toContain('No filters in the locker.')
  })
})

describe('slots', () => {
  it('show what is in them and swap on a click', async () => {
    const things = new Map([thing('long', 'lens'), thing('drone', 'drone')].map((t) => [t.id, t]))
    const trip = part<Trip>({ marks: { slots: [{ id: 's', name: 'One of them', items: ['long', 'drone'] }] } })
    shown = mounted(SlotCards, { trip, things, loaded: new Map([['long', 1]]), busy: false })
    expect(shown.findAll('button').map((b) => b.attributes('aria-pressed'))).toEqual(['true', 'false'])
    await shown.findAll('button')[1]!.trigger('click')
    expect(shown.emitted('edit')).toEqual([[[{ act: 'leave', item: 'long', count: null }, { act: 'load', item: 'drone', count: 1 }]]])
  })
})
