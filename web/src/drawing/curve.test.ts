import { describe, expect, it } from 'vitest'
import { curveScale, namesApart, spans, stairs } from './curve'

const frame = { left: 50, right: 750, top: 10, bottom: 310 }

describe('the trade curve', () => {
  it('holds every point inside its frame', () => {
    const scale = curveScale([3000, 9000, 12_000], [24, 60, 98], frame)
    for (const g of [3000, 12_000]) {
      expect(scale.x(g)).toBeGreaterThan(frame.left)
      expect(scale.x(g)).toBeLessThan(frame.right)
    }
    for (const s of [24, 98]) {
      expect(scale.y(s)).toBeGreaterThan(frame.top)
      expect(scale.y(s)).toBeLessThan(frame.bottom)
    }
  })
  it('goes up with the score and right with the mass', () => {
    const scale = curveScale([3000, 12_000], [40, 90], frame)
    expect(scale.y(90)).toBeLessThan(scale.y(40))
    expect(scale.x(12_000)).toBeGreaterThan(scale.x(3000))
  })
  it('copes with a single point', () => {
    const scale = curveScale([5000], [70], frame)
    expect(Number.isFinite(scale.x(5000))).toBe(true)
    expect(scale.xTicks.length).toBeGreaterThan(0)
  })
  it('runs in stairs: level, then up', () => {
    expect(stairs([{ x: 1, y: 9 }, { x: 3, y: 5 }, { x: 6, y: 2 }])).toBe('M1 9H3V5H6V2')
  })
  it('finds the runs of points in which a thing comes along', () => {
    const kits = [new Set(['a']), new Set(['a', 'b']), new Set(['b']), new Set(['a'])]
    expect(spans(kits, 'a')).toEqual([{ from: 0, to: 1 }, { from: 3, to: 3 }])
    expect(spans(kits, 'c')).toEqual([])
  })
})

it('kits that stand close together have one label; the open one keeps its own', () => {
  const at = (x: number, y: number, name: string) => ({ x, y, name })
  expect(namesApart([at(10, 10, 'B, now'), at(12, 11, 'A'), at(20, 15, 'C'), at(200, 15, 'D')])).toEqual(['B, now', 'A, C', '', 'D'])
  expect(namesApart([])).toEqual([])
})
