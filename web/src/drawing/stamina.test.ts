import { describe, expect, it } from 'vitest'
import type { PackDay } from '@/api/types'
import { columns, dayLine, packShape, timetable } from './stamina'

const pack = { pack: ['lb-4', 1], full_wh: 16, start_wh: 16, evening_wh: 4, charged_wh: 8 } as PackDay

describe('days as columns', () => {
  it('share the width, but never get too narrow to read', () => {
    expect(columns(4, 100, 500, 60).map((c) => [c.x, c.width])).toEqual([[100, 100], [200, 100], [300, 100], [400, 100]])
    expect(columns(20, 100, 500, 60)[19]!.x).toBe(100 + 19 * 60)
    expect(columns(0, 100, 500, 60)).toEqual([])
  })
  it('let a pack fall by day and rise by night, true to what it holds', () => {
    const [col] = columns(1, 0, 100, 60)
    // 16 of 16 Wh stand 20 high, 4 stand 5, 12 in the morning 15.
    expect(packShape(pack, col!, 20, 20)).toBe('0,20 0,0 72,15 100,5 100,20')
  })
  it('never draw a pack outside its row', () => {
    const [col] = columns(1, 0, 100, 60)
    expect(packShape({ ...pack, start_wh: 17, full_wh: 16, evening_wh: -1 }, col!, 20, 20)).toBe('0,20 0,0 72,20 100,11.3 100,20')
  })
  it('lift the warmest day and sink the coldest', () => {
    const line = dayLine([2, -8], columns(2, 0, 200, 60), 10, 20)
    expect(line.map((p) => p.y)).toEqual([10, 30])
    expect(line.map((p) => p.x)).toEqual([36, 136])
  })
})

describe('the timetable', () => {
  const charge = (by: string, socket: number, from_h: number, to_h = from_h + 1) => ({ by, socket, from_h, to_h })
  it('has a row per thing on a socket, in order of start', () => {
    const rows = timetable([charge('dual', 1, 2), charge('phone', 2, 0), charge('dual', 1, 0)])
    expect(rows.map((r) => [r.by, r.charges.map((c) => c.from_h)])).toEqual([
      ['dual', [0, 2]],
      ['phone', [0]],
    ])
  })
  it('has another row for each pack that a charger takes at the same time', () => {
    const rows = timetable([charge('dual', 1, 0, 3), charge('dual', 1, 0, 2), charge('dual', 1, 2, 4), charge('dual', 1, 3, 5)])
    expect(rows.map((r) => r.charges.map((c) => [c.from_h, c.to_h]))).toEqual([
      [[0, 3], [3, 5]],
      [[0, 2], [2, 4]],
    ])
  })
})
