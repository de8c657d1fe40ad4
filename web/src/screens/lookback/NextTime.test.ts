// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { queries } from '@/api/cache'
import type { Lesson } from '@/api/types'
import { lookBack } from '@/testing/answers'
import { answering } from '@/testing/server'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import NextTime from './NextTime.vue'

const marks = { must_take: [] as string[], must_leave: [] as string[], slots: [] }
const trip = (id: string, status: string) => ({ version: 4, open_kit: 'a', trip: { id, name: id.toUpperCase(), status, marks } })
const advice: Lesson[] = [
  { code: 'leave', item: 'tablet', mass_g: 468, trips: 1 },
  { code: 'take', item: 'wide', mass_g: 476, missed: { of: 'reach', focal_mm: 14, times: 1 } },
  { code: 'rent', missed: { of: 'reach', focal_mm: 800, times: 2 } },
  { code: 'service', item: 'cover', note: 'the drawstring slips' },
  { code: 'keep', item: 'aid', mass_g: 240 },
]
const back = lookBack({ kept: ['aid'], advice })

const shelf = [trip('karst', 'done'), trip('canoe', 'planned'), trip('coast', 'current')]
let shown: ReturnType<typeof mounted>
const sent = vi.fn()
beforeEach(() => {
  queries.clear()
  signedIn()
  queries.setQueryData(['trips'], shelf)
  queries.setQueryData(['locker'], [{ version: 2, thing: thing('cover', 'other') }])
  sent.mockReset()
  // There is no server here: what would be sent is looked at, the journey of coming home sends it.
  const stored = [{ version: 2, thing: thing('cover', 'other', { note: 'bought used' }) }]
  answering('GET', (path) => ({ data: path === '/api/trips' ? shelf : stored }))
  answering('PUT', (path, asked) => {
    sent(path.replace('{slug}', asked.params.path.slug ?? ''), asked.body)
    return { data: asked.body }
  })
})
afterEach(() => {
  shown?.unmount()
  vi.restoreAllMocks()
})
const line = (text: string) => shown.findAll('li').find((l) => l.text().includes(text))!

describe('what to do next time', () => {
  it('is told with the one thing to do about it, for a trip to come', () => {
    shown = mounted(NextTime, { back, trip: 'karst', names: NAMES })
    expect(shown.findAll('option').map((o) => o.text())).toEqual(['CANOE', 'CANOE', 'COAST'])
    expect(line('Leave TABLET').get('button').text()).toBe('Leave at home')
    expect(line('Take WIDE').get('button').text()).toBe('Always take')
    expect(line('800 mm').find('button').exists()).toBe(false)
    expect(shown.text()).toContain('right to take: AID')
  })
  it('goes into the brief of the trip that is chosen', async () => {
    shown = mounted(NextTime, { back, trip: 'karst', names: NAMES })
    await shown.get('select').setValue('coast')
    await line('Leave TABLET').get('button').trigger('click')
    await vi.waitFor(() => expect(sent).toHaveBeenCalled())
    const [path, body] = sent.mock.calls[0]!
    expect(path).toBe('/api/trips/coast')
    expect(body).toMatchObject({ version: 4, trip: { marks: { must_leave: ['tablet'], must_take: [] } } })
  })
  it('of a fault goes into the note of the thing, after what stands there', async () => {
    shown = mounted(NextTime, { back, trip: 'karst', names: NAMES })
    await line('Have COVER checked').get('button').trigger('click')
    await vi.waitFor(() => expect(sent).toHaveBeenCalled())
    expect(sent.mock.calls[0]![1].thing.note).toBe('bought used\nto be looked at: the drawstring slips')
  })
  it('says where a fault stands in the note already', () => {
    queries.setQueryData(['locker'], [{ version: 2, thing: thing('cover', 'other', { note: 'to be looked at: the drawstring slips' }) }])
    shown = mounted(NextTime, { back, trip: 'karst', names: NAMES })
    expect(line('Have COVER').text()).toContain('in its note')
    expect(line('Have COVER').find('button').exists()).toBe(false)
  })
  it('without a trip to come, is told all the same', () => {
    queries.setQueryData(['trips'], [trip('karst', 'done')])
    shown = mounted(NextTime, { back, trip: 'karst', names: NAMES })
    expect(line('Leave TABLET').find('button').exists()).toBe(false)
    expect(shown.find('select').exists()).toBe(false)
  })
})
