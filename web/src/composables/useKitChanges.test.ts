// @vitest-environment jsdom
import { QueryObserver, type QueryObserverOptions } from '@tanstack/vue-query'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { queries } from '@/api/cache'
import { benchQuery } from '@/api/queries/bench'
import type { Bench } from '@/api/types'
import { mounted } from '@/testing/mount'
import { part } from '@/testing/part'
import { answering } from '@/testing/server'
import { OwnVersions, useKitChanges } from './useKitChanges'
import { notice } from './useNotice'

interface Sent {
  path: string
  body: { version: number; edits?: { item: string }[] }
}
let sent: Sent[] = []
let answer: (() => void)[] = []
function bench(kit: string, version: number): Bench {
  return part<Bench>({ trip: { version: 1, open_kit: kit, trip: { id: 'coast' } }, kits: [], gear: [], state: { kit: { id: kit }, version, stamp: `${version}` } })
}
async function until(true_: () => boolean): Promise<void> {
  await vi.waitFor(() => {
    if (!true_()) throw new Error('not yet')
  })
}

beforeEach(() => {
  queries.clear()
  sent = []
  answer = []
  for (const [kit, version] of [['a', 4], ['b', 9], ['c', 20], ['d', 30]] as const) queries.setQueryData(benchQuery({ trip: 'coast', kit }).queryKey, bench(kit, version))
  // A server that answers when it is told to.
  answering('POST', async (path, asked) => {
    const { slug = '', kit = '' } = asked.params.path
    const body = asked.body as Sent['body']
    sent.push({ path: path.replace('{slug}', slug).replace('{kit}', kit), body })
    await new Promise<void>((go) => answer.push(go))
    const version = body.version + 1
    return { data: { kit: { id: kit }, version, stamp: `${version}`, can_undo: true, can_redo: false, assessment: {} } }
  })
})
afterEach(() => {
  vi.restoreAllMocks()
})

describe('changes of a kit', () => {
  function screen(open: string) {
    const kit = ref(open)
    let changes!: ReturnType<typeof useKitChanges>
    const Screen = defineComponent({
      setup() {
        changes = useKitChanges('coast', kit)
        return () => h('div')
      },
    })
    mounted(Screen, {})
    return { kit, changes }
  }
  const load = (item: string) => [{ act: 'load' as const, item, count: 1 }]

  it('that wait in the queue go to the kit that was open when they were clicked', async () => {
    const { kit, changes } = screen('a')
    changes.edit(load('zoom'))
    changes.edit(load('tele'))
    await until(() => sent.length === 1)
    kit.value = 'b'
    changes.edit(load('drone'))
    for (const count of [1, 2, 3]) {
      await until(() => sent.length === count)
      answer.shift()!()
    }
    await until(() => !changes.busy.value)
    expect(sent.map(({ path, body }) => [path.split('/')[5], body.edits![0]!.item, body.version])).toEqual([
      ['a', 'zoom', 4],
      ['a', 'tele', 5],
      ['b', 'drone', 9],
    ])
    expect(queries.getQueryData(benchQuery({ trip: 'coast', kit: 'a' }).queryKey)!.state.version).toBe(6)
    expect(queries.getQueryData(benchQuery({ trip: 'coast', kit: 'b' }).queryKey)!.state.version).toBe(10)
  })
  it('are not undone by a read that began before they were answered; it is done again', async () => {
    const { changes } = screen('d')
    const reads: ((version: number) => void)[] = []
    answering('GET', async () => ({ data: bench('d', await new Promise<number>((go) => reads.push(go))) }))
    const watching = new QueryObserver<Bench>(queries, { ...benchQuery({ trip: 'coast', kit: 'd' }), staleTime: Infinity } as QueryObserverOptions<Bench>)
    const leave = watching.subscribe(() => {})
    changes.edit(load('zoom'))
    await until(() => sent.length === 1)
    void watching.refetch()
    await until(() => reads.length === 1)
    answer.shift()!()
    await until(() => !changes.busy.value)
    reads[0]!(30)
    await until(() => reads.length === 2)
    expect(watching.getCurrentResult().data!.state.version).toBe(31)
    reads[1]!(32)
    await until(() => watching.getCurrentResult().data!.state.version === 32)
    leave()
  })
  it('say at once that there is no network, and are not done behind anybody later', async () => {
    const post = answering('POST', () => Promise.reject(new TypeError('Failed to fetch')))
    Object.defineProperty(navigator, 'onLine', { configurable: true, value: false })
    window.dispatchEvent(new Event('offline'))
    const { changes } = screen('a')
    changes.edit(load('zoom'))
    changes.edit(load('zoom'))
    await until(() => notice.value !== null && !changes.busy.value)
    expect(notice.value).toContain('nothing was changed')
    expect(post).toHaveBeenCalledTimes(2)
    Object.defineProperty(navigator, 'onLine', { configurable: true, value: true })
    window.dispatchEvent(new Event('online'))
  })
  it('are made on the version that was seen, not on what another window made of it meanwhile', async () => {
    const { changes } = screen('c')
    changes.edit(load('zoom'))
    await until(() => sent.length === 1)
    changes.edit(load('tele'))
    queries.setQueryData(benchQuery({ trip: 'coast', kit: 'c' }).queryKey, bench('c', 40))
    answer.shift()!()
    await until(() => sent.length === 2)
    answer.shift()!()
    expect(sent[1]!.body.version).toBe(21)
  })
})

describe('versions of this window', () => {
  it('follow its own changes and no others', () => {
    const own = new OwnVersions()
    const at = { trip: 't', kit: 'a' }
    own.note(at, 1, 2)
    own.note(at, 2, 3)
    own.note({ trip: 't', kit: 'b' }, 3, 4)
    expect(own.follow({ ...at, version: 1 })).toBe(3)
    expect(own.follow({ ...at, version: 7 })).toBe(7)
    expect(own.follow({ trip: 't', kit: 'b', version: 3 })).toBe(4)
  })
})
