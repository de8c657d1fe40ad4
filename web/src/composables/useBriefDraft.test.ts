// @vitest-environment jsdom
import { NEW_BRIEF } from '@/screens/trips/new-trip'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { queries } from '@/api/cache'
import type { Trip, TripDoc } from '@/api/types'
import { answering } from '@/testing/server'
import { useBriefDraft } from './useBriefDraft'

const TRIP: Trip = { id: 'coast', name: 'Coast', place: '', status: 'planned', people: [], legs: [], days: [], wants: [], ...NEW_BRIEF }
const PAUSE = 700

let sent: { version: number; trip: Trip }[]
let refusal: unknown
let put: ReturnType<typeof answering>
let made: ReturnType<typeof useBriefDraft>
const stored = ref<TripDoc>({ version: 1, trip: TRIP, open_kit: 'a', changed_by: '' })

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  sent = []
  refusal = null
  // The wire alone is played: a relative address means nothing without a page.
  answering('GET', () => ({ data: [] }))
  put = answering('PUT', (_, asked) => {
    const body = asked.body as TripDoc
    sent.push(body)
    return refusal ? { error: refusal, status: 422 } : { data: { version: body.version + 1, trip: body.trip, open_kit: 'a', changed_by: '' } }
  })
  stored.value = { version: 1, trip: TRIP, open_kit: 'a', changed_by: '' }
  const Host = defineComponent({
    setup() {
      made = useBriefDraft(stored)
      return () => h('div')
    },
  })
  mount(Host, { global: { plugins: [[VueQueryPlugin, { queryClient: queries }]] } })
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

async function wait(ms: number): Promise<void> {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(ms)
  await flushPromises()
}

describe('a brief being typed', () => {
  it('waits for what is on its way, and never clashes with itself', async () => {
    const answers: (() => void)[] = []
    answering('PUT', async (_, asked) => {
      const body = asked.body as TripDoc
      sent.push(body)
      await new Promise<void>((done) => answers.push(done))
      return { data: { version: body.version + 1, trip: body.trip, open_kit: 'a', changed_by: '' } }
    })
    // A slow line: twice more is typed before the first is answered.
    for (const name of ['North', 'North coast', 'North coast, by boat']) {
      made.draft.value!.name = name
      await wait(PAUSE)
    }
    expect(sent.map((s) => s.trip.name)).toEqual(['North'])
    expect(made.state.value).toBe('saving')
    answers.shift()!()
    await wait(0)
    answers.shift()!()
    await wait(0)
    expect(sent.map((s) => [s.version, s.trip.name])).toEqual([
      [1, 'North'],
      [2, 'North coast, by boat'],
    ])
    expect(answers).toEqual([])
    expect(made.clashes.value).toEqual([])
    expect(made.state.value).toBe('saved')
  })
  it('is saved once, a moment after the last letter', async () => {
    for (const name of ['N', 'No', 'North']) {
      made.draft.value!.name = name
      await wait(100)
    }
    expect(made.state.value).toBe('saving')
    await wait(PAUSE)
    expect(sent.map((s) => [s.version, s.trip.name])).toEqual([[1, 'North']])
    expect(made.state.value).toBe('saved')
  })
  it('sends the next change with the version that the last one made', async () => {
    made.draft.value!.name = 'A'
    await wait(PAUSE)
    made.draft.value!.name = 'B'
    await wait(PAUSE)
    expect(sent.map((s) => s.version)).toEqual([1, 2])
  })
  it('keeps what was typed when the server refuses it, and says where', async () => {
    refusal = { title: 'No.', status: 422, errors: [{ field: 'name', value: '', rule: 'a letter' }] }
    made.draft.value!.name = ''
    await wait(PAUSE)
    expect(made.state.value).toBe('refused')
    expect(made.errors.value.name).toBe('A letter')
    expect(made.draft.value!.name).toBe('')
    expect(await made.flush()).toBe(false)
  })
  it('lets go at once when all is saved, and saves what is not on the way out', async () => {
    expect(await made.flush()).toBe(true)
    made.draft.value!.place = 'West'
    expect(await made.flush()).toBe(true)
    expect(sent).toHaveLength(1)
  })
  it('takes over what was changed elsewhere, but never over what is being typed', async () => {
    stored.value = { version: 5, trip: { ...TRIP, name: 'Elsewhere' }, open_kit: 'a', changed_by: '' }
    await wait(0)
    expect(made.draft.value!.name).toBe('Elsewhere')
    made.draft.value!.name = 'Mine'
    stored.value = { version: 6, trip: { ...TRIP, name: 'Again' }, open_kit: 'a', changed_by: '' }
    await wait(0)
    expect(made.draft.value!.name).toBe('Mine')
  })
  it('is put together with what another window changed in other fields', async () => {
    const theirs = { version: 4, trip: { ...TRIP, place: 'East' }, open_kit: 'a', changed_by: '' }
    answering('GET', () => ({ data: theirs }))
    const stale = { title: 'Stale.', status: 409, errors: [{ field: 'version', value: '1', rule: '4' }] }
    made.draft.value!.name = 'North'
    put.mockImplementationOnce(async () => ({ error: stale, response: new Response('', { status: 409 }) }))
    await wait(PAUSE)
    expect(sent.at(-1)).toMatchObject({ version: 4, trip: { name: 'North', place: 'East' } })
    expect(made.state.value).toBe('saved')
  })
  it('asks about the one field that both changed, and does what is picked', async () => {
    const theirs = { version: 4, trip: { ...TRIP, name: 'East', place: 'Bay' }, open_kit: 'a', changed_by: '' }
    answering('GET', () => ({ data: theirs }))
    put.mockImplementationOnce(async () => ({ error: { title: 'Stale.', status: 409, errors: [{ field: 'version', value: '1', rule: '4' }] }, response: new Response('', { status: 409 }) }))
    made.draft.value!.name = 'North'
    await wait(PAUSE)
    expect(made.state.value).toBe('refused')
    expect(made.clashes.value).toEqual([{ path: ['name'], mine: 'North', theirs: 'East' }])
    expect(sent).toHaveLength(0)
    made.settle(made.clashes.value[0]!, 'mine')
    await wait(0)
    expect(sent.at(-1)).toMatchObject({ version: 4, trip: { name: 'North', place: 'Bay' } })
  })
  it('can be thrown away', async () => {
    made.draft.value!.name = 'Wrong'
    made.revert()
    expect(made.draft.value!.name).toBe('Coast')
    await wait(PAUSE)
    expect(sent).toHaveLength(0)
  })
})
