import { describe, expect, it } from 'vitest'
import { histogram } from './histogram'

const cell = (i: number, frames: number, reached: boolean) => ({ from_mm: 16 * 2 ** (i / 12), to_mm: 16 * 2 ** ((i + 1) / 12), frames, reached })

describe('the histogram', () => {
  it('gives the tallest bar the whole height and joins reach that touches', () => {
    const made = histogram([cell(0, 5, true), cell(1, 10, true), cell(2, 0, false), cell(3, 1, true)], 400, 100)
    expect(made.bars.map((b) => b.height)).toEqual([50, 100, 10])
    expect(made.reach).toEqual([{ x: 0, width: 200 }, { x: 300, width: 100 }])
  })
  it('marks focal lengths where they lie on the log axis', () => {
    const made = histogram(Array.from({ length: 12 }, (_, i) => cell(i, 0, true)), 120, 10)
    expect(made.ticks.map((t) => t.mm)).toEqual([20, 28])
    expect(made.ticks[0]!.x).toBeCloseTo(120 * Math.log2(20 / 16))
    expect(histogram([], 100, 100).bars).toEqual([])
  })
})
