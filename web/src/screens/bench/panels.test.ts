// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Advice, Assessment, Finding, ReachBar, Trip } from '@/api/types'
import TrailBar from '@/components/TrailBar.vue'
import { cure } from '@/testing/cures'
import { finding } from '@/testing/findings'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import { advised } from '@/wording/advice'
import FindingsList from '@/components/FindingsList.vue'
import { part } from '@/testing/part'
import LedgerPanel from './LedgerPanel.vue'
import ReachChart from './ReachChart.vue'

let shown: ReturnType<typeof mounted>
beforeEach(() => signedIn())
afterEach(() => shown.unmount())

describe('findings', () => {
  const move = { act: 'leave' as const, item: 'zoom', count: null }
  const leave = cure({ code: 'leave', edits: [move], mass_change_g: -806, points: 3 })
  const tooHeavy = finding('leg-mass', { severity: 'blocker', mass_g: 8567, allowed_g: 8000, over_g: 567, legs: 1, items: ['bag'], leg: 'small plane', person: 'ines', piece: 'cabin', cures: [leave] })
  const bridged = finding('native-gap', { from_mm: 70, to_mm: 100, wants: 1, items: [], want: 'portraits', cures: [cure({ code: 'crop-mode', crop: 1.5, to_mm: 105, megapixels: 20 })] })
  const findings: Finding[] = [tooHeavy, bridged]
  const all = advised(findings, { found: findings, before: [], whole: true })

  it('are sentences with their cures, and a cure with edits is a button', async () => {
    shown = mounted(FindingsList, { findings: all, names: NAMES, busy: false })
    expect(shown.text()).toContain('Cabin bag, ines: 567 g over.')
    expect(shown.findAll('button.cure').map((b) => b.text())).toEqual(['Leave ZOOM (−806 g, brief −3.0 %)'])
    await shown.get('button.cure').trigger('click')
    expect(shown.emitted('cure')).toEqual([[[move]]])
  })
  it('tell their weight in words, not by colour alone', () => {
    shown = mounted(FindingsList, { findings: all, names: NAMES, busy: false })
    expect(shown.findAll('svg').map((s) => s.attributes('aria-label'))).toEqual(['Must fix', 'Good to know'])
  })
  it('wait while a change is under way', () => {
    shown = mounted(FindingsList, { findings: all, names: NAMES, busy: true })
    expect(shown.get('button.cure').attributes('disabled')).toBeDefined()
  })
  it('take a line each: figures, prices and other ways open', async () => {
    const worn = cure({ code: 'wear', edits: [{ act: 'move', item: 'zoom', place: { where: 'worn', person: 'ines', unplaced: false } }], moved_g: 806, points: 3, brings: [bridged] })
    const bag = { ...tooHeavy, cures: [leave, worn] }
    shown = mounted(FindingsList, { findings: advised([bag], { found: [bag], before: [], whole: true }), names: NAMES, busy: false })
    expect(shown.text()).toContain('1 must fix')
    expect(shown.text()).not.toContain('allows 8 kg')
    expect(shown.findAll('button.cure')).toHaveLength(1)
    expect(shown.text()).not.toContain('also fixes')
    await shown.get('button.head').trigger('click')
    expect(shown.text()).toContain('allows 8 kg')
    expect(shown.findAll('button.cure')).toHaveLength(2)
    expect(shown.text()).toContain('then: No lens covers 70–100 mm.')
  })
  it('come one by one: what is known is offered while the rest is looked for', () => {
    const facts = [tooHeavy, { ...tooHeavy, person: 'marit' }].map((f) => ({ ...f, cures: [] }))
    shown = mounted(FindingsList, { findings: advised(facts, { found: [findings[0]!], before: [], whole: false }), names: NAMES, busy: false })
    expect(shown.findAll('button.cure')).toHaveLength(1)
    expect(shown.text().match(/Looking for what helps/g)).toHaveLength(1)
  })
  it('of which the cures do not come say so, and do not wait for ever', () => {
    const facts = findings.map((f) => ({ ...f, cures: [] }))
    shown = mounted(FindingsList, { findings: advised(facts, { found: [], before: findings, whole: false, failed: true }), names: NAMES, busy: false })
    expect(shown.text()).not.toContain('Looking for')
    expect(shown.text().match(/Your next click tries again/g)).toHaveLength(1)
  })
  it('name what a cure would get by what it is', async () => {
    const got = { what: 'drive' as const, id: 'to-get-0', label: '', count: 1, mass_g: 60 }
    const bag = { ...tooHeavy, cures: [cure({ code: 'get', gets: [got], mass_change_g: 60, brings: [finding('idle-optics', { items: ['to-get-0'] })] })] }
    shown = mounted(FindingsList, { findings: advised([bag], { found: [bag], before: [], whole: true }), names: NAMES, busy: false })
    expect(shown.text()).toContain('then: A drive for copies fits nothing loaded.')
    expect(shown.text()).not.toContain('to-get')
  })
  it('that nothing helps say why once it is known', async () => {
    const stuck = { ...findings[0]!, cures: [], why: 'worse' as const }
    shown = mounted(FindingsList, { findings: advised([{ ...stuck, why: null }], { found: [stuck], before: [], whole: true }), names: NAMES, busy: false })
    await shown.get('button.head').trigger('click')
    expect(shown.text()).toContain('something else you must fix')
  })
  it('of which the cures are on their way say so and keep their place', () => {
    const facts = findings.map((f) => ({ ...f, cures: [] }))
    shown = mounted(FindingsList, { findings: advised(facts, { found: [], before: [], whole: false }), names: NAMES, busy: false })
    expect(shown.text()).toContain('567 g over.')
    // A note is not worth saying that something is looked for.
    expect(shown.text().match(/Looking for what helps/g)).toHaveLength(1)
    expect(shown.findAll('button.cure')).toHaveLength(0)
  })
  it('never offer what would have cured the kit before', async () => {
    const facts = [{ ...tooHeavy, over_g: 300 }, findings[1]!].map((f) => ({ ...f, cures: [] }))
    shown = mounted(FindingsList, { findings: advised(facts, { found: [], before: findings, whole: false }), names: NAMES, busy: false })
    expect(shown.text()).toContain('300 g over.')
    expect(shown.get('button.cure').attributes('disabled')).toBeDefined()
    expect(shown.text()).toContain('from before your last click')
  })
  it('say so when there are none', () => {
    shown = mounted(FindingsList, { findings: [], names: NAMES, busy: false })
    expect(shown.text()).toContain('Nothing to fix.')
  })
})

describe('the ledger', () => {
  const things = new Map([thing('zoom', 'lens', { mass_g: 806 }), thing('twin', 'body', { mass_g: 716 }), thing('pack', 'battery', { count: 5, mass_g: 82, mass_source: 'typical' })].map((t) => [t.id, t]))
  const at = (item: string, count: number) => [item, [{ item, count, place: { where: 'bag', bag: 'cube', outside: false } }]] as const
  const advice = part<Advice>({ worth: [{ item: 'zoom', points: 17.1, direct: 17, backup: 1 }, { item: 'twin', points: 9.6, direct: 0, backup: 96 }], holds: [{ item: 'pack', goes: [], breaks: [{ of: 'thing', id: 'twin', what: 'pack', label: 'LB-4' }] }] })

  it('adds up headings and all, marks typical masses, tells a backup', async () => {
    shown = mounted(LedgerPanel, { things, entries: new Map([at('zoom', 1), at('twin', 1), at('pack', 3)]), loads: part<Assessment['loads']>({ total_g: 1768, scale_g: 0 }), told: { advice, stands: true }, names: NAMES })
    const rows = shown.findAll('tr').map((r) => r.text().replaceAll(/\s+/g, ' '))
    expect(rows.find((r) => r.startsWith('Optics'))).toContain('1522 g')
    expect(rows.find((r) => r.includes('3 × pack'))).toContain('≈ 246 g')
    expect(rows.find((r) => r.includes('twin'))).toContain('backup')
    expect(rows.find((r) => r.includes('3 × pack'))).toContain('needed')
    expect(rows.at(-1)).toContain('1.77 kg')
    await shown.findAll('.name button')[0]!.trigger('click')
    expect(shown.emitted('open')).toEqual([['zoom']])
  })
})

describe('the reach chart', () => {
  function bar(how: ReachBar['how'], from_mm: number, to_mm: number, crop = 1, megapixels = 45): ReachBar {
    return { how, set_up: { body: 'c1', lens: 'zoom', adapter: null, converter: null, crop }, from_mm, to_mm, f_from: 2.8, f_to: 2.8, megapixels, autofocus_lost_from_mm: null, unsealed: [] }
  }
  const coverage = part<Assessment['coverage']>({
    reach: [{ lens: 'zoom', bodies: ['c1', 'c2'], bars: [bar('native', 24, 70), bar('crop-mode', 36, 105, 1.5, 20)] }],
    wants: [{ want: 'far', cover: 0.1, runs: [], native_gaps: [], gaps: [{ from_mm: 200, to_mm: 400, score: 0, because: 'reach' }] }],
  })
  const trip = part<Trip>({ wants: [{ id: 'far', name: 'Far things', focal_min_mm: 200, focal_max_mm: 400 }] })

  it('draws bars, bands and gaps, and tells what each is', async () => {
    shown = mounted(ReachChart, { coverage, trip, names: NAMES })
    await shown.vm.$nextTick()
    expect(shown.get('.native title').text()).toBe('ZOOM on C1: 24–70 mm, f/2.8, 45 MP')
    expect(shown.get('.crop-mode title').text()).toContain('1.5× crop: 36–105 mm, f/2.8, 20 MP')
    expect(shown.get('.gap title').text()).toBe('Gap 200–400 mm in far')
    await shown.get('.band').trigger('keydown', { key: 'Enter' })
    expect(shown.emitted('want')).toEqual([['far']])
  })
  it('shows the same as a table', async () => {
    shown = mounted(ReachChart, { coverage, trip, names: NAMES })
    await shown.get('button.tab').trigger('click')
    expect(shown.findAll('tbody tr').map((r) => r.findAll('td')[2]!.text())).toEqual(['24–70 mm', '36–105 mm'])
  })
})

describe('the trail', () => {
  it('tells done, open and blocked in words and leads to each station', () => {
    shown = mounted(TrailBar, { trip: 't', kit: 'b', stamp: '1', cautions: [], stations: [{ name: 'brief', mark: 'done' }, { name: 'bench', mark: 'blocked' }, { name: 'stamina', mark: 'open' }, { name: 'stow', mark: 'open' }, { name: 'gate', mark: 'done' }] })
    const stops = shown.findAll('a')
    expect(stops.map((s) => s.text())).toEqual(['Brief, done', 'Bench, blocked', 'Stamina, open', 'Stow, open', 'Gate, done', 'Pack-out, open', 'Trail, open', 'Look back, open'])
    expect(stops.map((s) => s.attributes('href'))).toEqual(['/brief/t/b', '/bench/t/b', '/stamina/t/b', '/stow/t/b', '/gate/t/b', '/packout/t/b', '/trail/t/b', '/lookback/t/b'])
    expect(stops[0]!.find('circle.done').exists()).toBe(true)
    expect(stops[1]!.find('rect.blocked').exists()).toBe(true)
  })
})
