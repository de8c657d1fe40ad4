// @vitest-environment jsdom
import { ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry, What } from '@/api/types'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import LogPart from './LogPart.vue'

const made: What[] = []
const field = { mark: vi.fn((what: What) => made.push(what)), stands: ref({ now: new Map(), log: [] as object[], conflicts: [] }) }
const things = new Map([thing('body', 'body'), thing('wide', 'lens'), thing('lb4', 'battery'), thing('sd', 'card'), thing('ssd', 'drive')].map((t) => [t.id, t]))
const entries = [...things.keys()].map((item) => ({ item, count: 1, place: { where: 'worn', person: 'ines' } })) as Entry[]
let shown: ReturnType<typeof mounted>
beforeEach(() => {
  signedIn()
  made.length = 0
  shown = mounted(LogPart, { date: '2027-02-21', entries, things, field, names: NAMES })
})
afterEach(() => shown?.unmount())

async function fill(kind: string, fields: Record<string, string>): Promise<void> {
  await shown.findAll('.kind').find((b) => b.text() === kind)!.trigger('click')
  for (const [label, value] of Object.entries(fields)) {
    const row = shown.findAll('label').find((l) => l.get('span').text() === label)!
    await row.get('input, select').setValue(value)
  }
  await shown.get('form').trigger('submit')
}

describe('a quick note', () => {
  it('of a thing used is one tap', async () => {
    await shown.findAll('.thing').find((b) => b.text() === 'wide')!.trigger('click')
    expect(made).toEqual([{ do: 'used', item: 'wide', day: '2027-02-21' }])
  })
  it('of a thing used by mistake is taken back by another tap', async () => {
    field.stands.value.log.push({ id: 'mark-0001', what: { do: 'used', item: 'wide', day: '2027-02-21' } })
    shown.unmount()
    shown = mounted(LogPart, { date: '2027-02-21', entries, things, field, names: NAMES })
    await shown.findAll('.thing').find((b) => b.text() === '✓ wide')!.trigger('click')
    expect(made).toEqual([{ do: 'taken-back', mark: 'mark-0001' }])
    field.stands.value.log.length = 0
  })
  it('of a picture missed keeps what was wanted and what was there', async () => {
    await fill('missed', { 'missed shot': 'eagle', 'needed, mm full-frame': '300', 'had, mm full-frame': '105' })
    expect(made).toEqual([{ do: 'missed', day: '2027-02-21', wanted: 'eagle', focal_mm: 300, had_mm: 105, effect: null, lens: null, note: '' }])
  })
  it('of a filter missed needs no words, and names the lens', async () => {
    await shown.findAll('.kind').find((b) => b.text() === 'missed')!.trigger('click')
    await fill('missed', { 'a filter': 'polariser' })
    expect(made.at(-1)).toMatchObject({ do: 'missed', wanted: 'polariser', effect: 'polariser', lens: null })
    await shown.findAll('label').find((l) => l.get('span').text() === 'a filter')!.get('select').setValue('nd')
    await fill('missed', { on: 'wide' })
    expect(made.at(-1)).toMatchObject({ effect: 'nd', lens: 'wide', wanted: 'neutral density' })
  })
  it('of a thing lent says when it is to be back', async () => {
    await fill('lent', { 'lent to': 'Marit', 'back by': '2027-02-24' })
    expect(made).toEqual([{ do: 'lent', item: 'body', day: '2027-02-21', to: 'Marit', until: '2027-02-24' }])
  })
  it('of the cold is in degrees of who notes it', async () => {
    shown.unmount()
    signedIn('imperial')
    shown = mounted(LogPart, { date: '2027-02-21', entries, things, field, names: NAMES })
    await fill('cold', { '°F': '14' })
    expect(made).toEqual([{ do: 'cold', day: '2027-02-21', lowest_c: -10 }])
  })
  it('reads figures with a comma', async () => {
    await fill('card out', { GB: '24,5', frames: '480' })
    expect(made).toEqual([{ do: 'filled', item: 'sd', body: 'body', day: '2027-02-21', gb: 24.5, frames: 480 }])
    await fill('copied', { GB: '24.5', minutes: '30' })
    expect(made.at(-1)).toMatchObject({ do: 'copied', to: 'ssd', hours: 0.5 })
  })
  it.each([
    ['missed', 'Type what you missed.'],
    ['lent', 'Type who has it.'],
    ['cold', 'Type degrees from −60 °C to 60 °C.'],
    ['battery changed', 'Type how many frames it gave.'],
    ['card out', 'Type gigabytes and frames.'],
    ['copied', 'Type gigabytes and minutes.'],
    ['words', 'The note is empty.'],
  ])('of "%s" says what is missing and keeps nothing', async (kind, says) => {
    await fill(kind, {})
    expect(shown.get('[role=alert]').text()).toBe(says)
    expect(made).toEqual([])
  })
})
