import { describe, expect, it } from 'vitest'
import { focalAxis, lanes } from './axis'

describe('the focal axis', () => {
  it('is logarithmic: doubling takes the same way everywhere', () => {
    const axis = focalAxis([10, 800], 0, 1000)
    expect(axis.x(100) - axis.x(50)).toBeCloseTo(axis.x(400) - axis.x(200), 6)
  })
  it('holds every value given', () => {
    const axis = focalAxis([8, 1200], 100, 900)
    expect(axis.x(8)).toBeGreaterThanOrEqual(100)
    expect(axis.x(1200)).toBeLessThanOrEqual(900)
  })
  it('never puts two tick labels closer than they are wide', () => {
    for (const width of [120, 300, 900]) {
      const { ticks } = focalAxis([8, 1200], 0, width)
      ticks.slice(1).forEach((tick, i) => expect(tick.x - ticks[i]!.x).toBeGreaterThan(26))
    }
  })
  it('stands without any value', () => {
    expect(focalAxis([], 0, 500).ticks.length).toBeGreaterThan(3)
  })
})

describe('label lanes', () => {
  it('never lets two labels of a lane touch', () => {
    const labels = Array.from({ length: 40 }, (_, i) => ({ x: (i * 37) % 400, width: 30 + (i % 5) * 20 })).sort((a, b) => a.x - b.x)
    const lane = lanes(labels)
    labels.forEach((a, i) =>
      labels.slice(i + 1).forEach((b, j) => {
        if (lane[i] === lane[i + 1 + j]) expect(a.x + a.width + 8).toBeLessThanOrEqual(b.x)
      }),
    )
  })
  it('uses one lane when there is room', () => {
    expect(lanes([{ x: 0, width: 50 }, { x: 100, width: 50 }])).toEqual([0, 0])
  })
})
