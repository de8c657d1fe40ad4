import { describe, expect, it } from 'vitest'
import { bestScale, type Cell, layOut } from './mat'

function cells(count: number, seed = 7): Cell[] {
  let state = seed
  const next = (): number => (state = (state * 16807) % 2147483647) / 2147483647
  return Array.from({ length: count }, (_, i) => ({ id: `t${i}`, width: 20 + next() * 180, height: 20 + next() * 120 }))
}

describe('the mat', () => {
  it('lays everything down, nothing over another thing or over the edge', () => {
    const { cells: laid, height } = layOut(cells(80), 800)
    expect(laid.map((c) => c.id)).toEqual(cells(80).map((c) => c.id))
    laid.forEach((a, i) => {
      expect(a.x).toBeGreaterThanOrEqual(0)
      expect(a.x + a.width).toBeLessThanOrEqual(800.01)
      expect(a.y + a.height).toBeLessThanOrEqual(height + 0.01)
      laid.slice(i + 1).forEach((b) => {
        const apart = a.x + a.width <= b.x + 0.02 || b.x + b.width <= a.x + 0.02 || a.y + a.height <= b.y + 0.02 || b.y + b.height <= a.y + 0.02
        expect(apart, `${a.id} over ${b.id}`).toBe(true)
      })
    })
  })
  it('is the same for the same things', () => {
    expect(layOut(cells(30), 700)).toEqual(layOut(cells(30), 700))
  })
  it('narrows a thing that is wider than the mat rather than losing it', () => {
    expect(layOut([{ id: 'boat', width: 900, height: 50 }], 400).cells[0]).toMatchObject({ x: 0, y: 0, width: 400 })
  })
  it('fills at least two thirds of what it uses', () => {
    const all = cells(120)
    const { height } = layOut(all, 800)
    const used = all.reduce((sum, c) => sum + c.width * c.height, 0)
    expect(used / (800 * height)).toBeGreaterThan(0.66)
  })
  it('lays out nothing', () => {
    expect(layOut([], 800)).toEqual({ cells: [], height: 0 })
  })
})

describe('the scale', () => {
  it('is the largest that fits, the largest allowed, or the smallest', () => {
    expect(bestScale((s) => s <= 0.5, 0.2, 0.9)).toBeCloseTo(0.5, 1)
    expect(bestScale(() => true, 0.2, 0.9)).toBe(0.9)
    expect(bestScale(() => false, 0.2, 0.9)).toBe(0.2)
  })
})
