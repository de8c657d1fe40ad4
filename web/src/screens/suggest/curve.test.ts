// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { lineCutter } from '@/api/stream'
import type { Assessment, Line, Point, Trip } from '@/api/types'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import { part } from '@/testing/part'
import PointPanel from './PointPanel.vue'
import StepBars from './StepBars.vue'
import TradeCurve from './TradeCurve.vue'

let shown: ReturnType<typeof mounted>
beforeEach(() => signedIn())
afterEach(() => shown?.unmount())

const at = { where: 'worn', person: 'ines' } as const
function point(carried_g: number, score: number, items: string[], proved = true): Point {
  return part<Point>({ kit: { id: 'a', name: 'A', note: '', entries: items.map((item) => ({ item, count: 1, place: at })) }, limit_g: carried_g, carried_g, score, bound: proved ? score : 90, steady: 0.5, proved })
}
const points = [point(3000, 40, ['body', 'fifty']), point(5000, 70, ['body', 'zoom'], false), point(8000, 95, ['body', 'zoom', 'tele'])]
const things = new Map([thing('body', 'body'), thing('fifty', 'lens'), thing('zoom', 'lens', { mass_g: 800 }), thing('tele', 'lens', { mass_g: 1400 })].map((t) => [t.id, t]))

describe('the trade curve', () => {
  const lines: Line[] = [{ what: 'leg', ref: 'plane', carried_g: 6000, share: null }]

  it('tells each point, proved or bounded, and walks by arrow keys', async () => {
    shown = mounted(TradeCurve, { points, lines, kits: [{ id: 'b', name: 'B, now', carried_g: 6500, score: 60 }], chosen: 1, names: NAMES })
    await shown.vm.$nextTick()
    const titles = shown.findAll('g[role=option] title').map((t) => t.text())
    expect(titles[0]).toBe('3.00 kg: 40.0 % of the brief, proved: the best at that mass')
    expect(titles[1]).toContain('not proved; at most 90.0 % is possible')
    expect(shown.text()).toContain('plane, 6 kg')
    expect(shown.text()).toContain('B, now')
    await shown.get('svg').trigger('keydown', { key: 'ArrowRight' })
    await shown.findAll('g[role=option]')[0]!.trigger('click')
    expect(shown.emitted('choose')).toEqual([[2], [0]])
  })
})

describe('what each step buys', () => {
  it('shows only what comes or goes along the curve', async () => {
    shown = mounted(StepBars, { points, things, chosen: 0 })
    expect(shown.findAll('[role=rowheader]').map((r) => r.text())).toEqual(['fifty', 'zoom', 'tele'])
    await shown.get('button[aria-label="tele from step 3 to 3"]').trigger('click')
    expect(shown.emitted('choose')).toEqual([[2]])
  })
})

describe('one point', () => {
  const now = part<Assessment>({ coverage: { score: 60, wants: [{ want: 'w', cover: 0.6 }] } })
  const then = part<Assessment>({ coverage: { score: 95, wants: [{ want: 'w', cover: 0.95 }] }, legs: [{ leg: 'plane', passes: false }] })
  const trip = part<Trip>({ wants: [{ id: 'w', name: 'Towers' }], marks: { must_take: ['zoom'], must_leave: [], slots: [] } })

  it('says what enters, what leaves, what each want makes of it and who refuses', async () => {
    shown = mounted(PointPanel, { point: points[2], now, then, loaded: new Map([['body', 1], ['fifty', 1]]), things, trip, names: NAMES, busy: false })
    const text = shown.text().replaceAll(/\s+/g, ' ')
    expect(text).toContain('At 8.00 kg')
    expect(text).toContain('tele+1400 g')
    expect(text).toContain('fifty−500 g')
    expect(text).toContain('Towers60 %95 %')
    expect(text).toContain('Refused: plane.')
    await shown.findAll('button').find((b) => b.text() === 'leave at home')!.trigger('click')
    expect(shown.emitted('mark')).toEqual([[{ must_take: ['zoom'], must_leave: ['tele'], slots: [] }]])
    await shown.findAll('button').find((b) => b.text() === 'always take ✓')!.trigger('click')
    expect(shown.emitted('mark')![1]).toEqual([{ must_take: [], must_leave: [], slots: [] }])
  })
})

describe('answers line by line', () => {
  it('are cut at line ends, wherever the pieces end', () => {
    const cut = lineCutter()
    expect(cut('{"a":1}\n{"b"')).toEqual(['{"a":1}'])
    expect(cut(':2}\n\n{"c"')).toEqual(['{"b":2}'])
    expect(cut(':3}\n')).toEqual(['{"c":3}'])
  })
})
