import { QueryObserver, type QueryObserverOptions } from '@tanstack/vue-query'
import { describe, expect, it, vi } from 'vitest'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { answering } from '@/testing/server'
import type { Bench, FoamWish, Stamina } from './types'
import type { Stamped } from './asking'
import { KEY, queries } from './cache'
import { adviceQuery, curesQuery, thoughtQuery } from './queries/bench'
import type { CuresFound } from './queries/cures'
import { outingQuery } from './queries/days'
import { packOutQuery, stationsQuery } from './queries/field'
import { staminaAdviceQuery, staminaQuery } from './queries/stamina'
import { drillQuery, foamCasesQuery, foamQuery } from './queries/stow'

/** Somebody who looks on. A question may hold refs, as the app asks it; here it holds values. */
function watching<T>(query: { queryKey: readonly unknown[] }) {
  return new QueryObserver<T>(queries, query as QueryObserverOptions<T>)
}
const at: Stamped = { trip: 'coast', kit: 'a', stamp: '3.1.9-12-30-x.2-2-2-y' }
const later: Stamped = { ...at, stamp: '3.1.10-13-31-z.2-2-2-y' }
const edits = [{ act: 'load' as const, item: 'zoom', count: 1 }]
const stamina = {} as Stamina
const foam = { wall_mm: 15 } as FoamWish

describe('what hangs on a kit', () => {
  it.each([
    ['what if', (s: Stamped) => thoughtQuery(s, { edits }).queryKey],
    ['advice', (s: Stamped) => adviceQuery(s, null).queryKey],
    ['advice on a thought', (s: Stamped) => adviceQuery(s, { edits }).queryKey],
    ['cures', (s: Stamped) => curesQuery(s, null).queryKey],
    ['stamina', (s: Stamped) => staminaQuery(s, stamina).queryKey],
    ['stamina advice', (s: Stamped) => staminaAdviceQuery(s, stamina).queryKey],
    ['drill', (s: Stamped) => drillQuery(s).queryKey],
    ['outing', (s: Stamped) => outingQuery(s, 'day').queryKey],
    ['foam', (s: Stamped) => foamQuery(s, 'case', foam).queryKey],
    ['foam of other cases', (s: Stamped) => foamCasesQuery(s, 'case', foam).queryKey],
    ['pack-out', (s: Stamped) => packOutQuery(s).queryKey],
    ['stations', (s: Stamped) => stationsQuery(s).queryKey],
  ])('%s is asked for anew when the locker has changed', (_, key) => {
    expect(JSON.stringify(key(at))).toContain(at.stamp)
    expect(key(later)).not.toEqual(key(at))
  })
})

it('advice on a kit that was changed elsewhere reads the kit again, for nobody else would ask', async () => {
  const bench = KEY.bench(at.trip, at.kit)
  queries.setQueryData<Bench>(bench, {} as Bench)
  answering('GET', () => ({ data: { stamp: later.stamp, advice: {} } }))
  await expect(queries.fetchQuery(adviceQuery(at, null))).rejects.toThrow('meanwhile')
  expect(queries.getQueryState(bench)?.isInvalidated).toBe(true)
})

it('cures come one by one, and are of the kit that is shown', async () => {
  vi.stubGlobal('document', { cookie: '' })
  const lines = (stamp: string) => new Response(`${JSON.stringify({ stamp })}\n\n${JSON.stringify({ finding: { code: 'gap' } })}\n${JSON.stringify({ whole: true })}\n`)
  vi.spyOn(globalThis, 'fetch').mockResolvedValueOnce(lines(at.stamp)).mockResolvedValueOnce(lines(later.stamp))
  await expect(queries.fetchQuery(curesQuery(at, null))).resolves.toEqual({ findings: [{ code: 'gap' }], whole: true })
  await expect(queries.fetchQuery({ ...curesQuery(at, null), staleTime: 0 })).rejects.toThrow('meanwhile')
})

it('cures that were cut off after the first are asked for again by whoever comes back', async () => {
  vi.stubGlobal('document', { cookie: '' })
  queries.clear()
  const begun = `${JSON.stringify({ stamp: at.stamp })}\n${JSON.stringify({ finding: { code: 'gap', cures: [{}] } })}\n`
  const open = new ReadableStream<Uint8Array>({ start: (one) => one.enqueue(new TextEncoder().encode(begun)) })
  const asked = vi.spyOn(globalThis, 'fetch').mockReset().mockResolvedValueOnce(new Response(open)).mockResolvedValueOnce(new Response(`${begun}${JSON.stringify({ whole: true })}\n`))
  const shown = watching<CuresFound>(curesQuery(at, null))
  const leave = shown.subscribe(() => {})
  await vi.waitFor(() => expect(shown.getCurrentResult().data?.findings).toHaveLength(1))
  leave()
  const again = watching<CuresFound>(curesQuery(at, null))
  const end = again.subscribe(() => {})
  await vi.waitFor(() => expect(again.getCurrentResult().data?.whole).toBe(true))
  expect(asked).toHaveBeenCalledTimes(2)
  end()
})

it('one day’s bag never stands in for another’s, nor for a day without one', () => {
  const before = { loadout: 'dawn' }
  const standIn = (asked: string): unknown => (outingQuery(later, asked).placeholderData as (before: unknown, query: { queryKey: readonly unknown[] }) => unknown)(before, { queryKey: ['outing', at, 'dawn'] })
  expect(standIn('dawn')).toBe(before)
  expect(standIn('night')).toBeUndefined()
  expect(standIn('')).toBeUndefined()
})

it('whoever leaves a screen hangs up: every question passes its signal on', async () => {
  const kit = ['coast', 'a'] as const
  const asked: Record<string, unknown[]> = {
    windowQuery: [null], glanceQuery: ['coast'], linksQuery: ['coast'], carriersOfQuery: ['coast'], lentQuery: ['coast'], fieldQuery: ['coast'], compareQuery: ['coast', kit],
    benchQuery: [at], lookBackQuery: [at], stationsQuery: [at], daysQuery: [at], splitQuery: [at], sparesQuery: [at], drillQuery: [at], packOutQuery: [at], shoppingQuery: [at],
    adviceQuery: [at, null], thoughtQuery: [at, { edits }], movesQuery: [at, edits], staminaQuery: [at, stamina], staminaAdviceQuery: [at, stamina],
    outingQuery: [at, 'day'], baseQuery: [at, '2027-02-20'], dayAdviceQuery: [at, '2027-02-20'], foamQuery: [at, 'case', foam], foamCasesQuery: [at, 'case', foam],
  }
  const streamed = new Set(['curesQuery', 'dayCuresQuery', 'packedQuery'])
  const files: Record<string, Record<string, unknown>> = import.meta.glob('./queries/*.ts', { eager: true })
  const every = Object.values(files).flatMap((file) => Object.entries(file)).filter(([name]) => name.endsWith('Query') && !streamed.has(name))
  expect(every.length).toBeGreaterThan(30)
  for (const [name, made] of every) {
    const query = (typeof made === 'function' ? made(...(asked[name] ?? expect.fail(`${name} is not tried`))) : made) as { queryFn: (context: { signal: AbortSignal }) => Promise<unknown> }
    const { signal } = new AbortController()
    const [get, post] = (['GET', 'POST'] as const).map((verb) => answering(verb, () => ({ data: { stamp: at.stamp, account: null } })))
    await query.queryFn({ signal })
    const calls = [...get!.mock.calls, ...post!.mock.calls]
    expect(calls, name).toHaveLength(1)
    expect(calls[0]![1].signal, name).toBe(signal)
  }
})

it('keys stand beside the questions', () => {
  const files = (readdirSync('src', { recursive: true }) as string[]).filter((f) => /\.(ts|vue)$/.test(f) && !/\.test\.ts$|^api\//.test(f) && statSync(`src/${f}`).isFile())
  expect(files.length).toBeGreaterThan(100)
  const own = files.filter((f) => /queryKey: (computed\(|\[)/.test(readFileSync(`src/${f}`, 'utf8')))
  expect(own).toEqual([])
})
