import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import type { What } from '@/api/types'
import { drop, put, settle, waiting } from './outbox'

const tick = (line: string): What => ({ do: 'tick', line, done: true })

describe('the outbox', () => {
  it('numbers marks in the order in which they were made, however fast', async () => {
    const made = await Promise.all(Array.from({ length: 20 }, (_, n) => put('ines', 'fast', tick(`thing-${n}@bag`), [])))
    const held = await waiting('ines', 'fast')
    expect(held.map((w) => w.mark.what)).toEqual(made.map((w) => w.mark.what))
    expect(new Set(held.map((w) => w.mark.seq)).size).toBe(20)
    expect(new Set(held.map((w) => w.mark.device)).size).toBe(1)
  })
  it('lets go of what was taken and keeps what was refused, with the reason', async () => {
    const one = await put('ines', 'trip', tick('a@bag'), [])
    const two = await put('ines', 'trip', tick('b@bag'), [])
    await settle([one, two], [one.mark.id], [{ id: two.mark.id, field: 'what', value: '', rule: 'makes sense' }])
    const [left, ...more] = await waiting('ines', 'trip')
    expect(more).toEqual([])
    expect(left!.refused).toBe('what: makes sense')
    await drop(left!)
    expect(await waiting('ines', 'trip')).toEqual([])
  })
  it('keeps the marks of different people and trips apart', async () => {
    await put('marit', 'trip', tick('a@bag'), [])
    expect(await waiting('ines', 'trip')).toEqual([])
    expect((await waiting('marit', 'trip')).length).toBe(1)
  })
})
