import { describe, expect, it } from 'vitest'
import type { Placed, Thing } from '@/api/types'
import { part } from '@/testing/part'
import { features, walls, wallsCut } from './dividers'
import type { Face } from './stow'

const room = {
  size_mm: [390, 250, 145] as [number, number, number],
  dividers: [
    { across: 'x' as const, at_mm: 100, thick_mm: 8, from_mm: 0, length_mm: 250, long: true },
    { across: 'y' as const, at_mm: 60, thick_mm: 8, from_mm: 108, length_mm: 282, long: false },
  ],
}

describe('dividers as walls', () => {
  it('stand where they are, to scale', () => {
    expect(walls(room, 2)).toEqual([
      { x: 200, y: 0, width: 16, height: 500, length: 250 },
      { x: 216, y: 120, width: 564, height: 16, length: 282 },
    ])
  })
  it('are cut where the line goes through them, as deep as the space', () => {
    expect(wallsCut(room, 1, 20)).toEqual([{ x: 100, y: 0, width: 8, height: 145, length: 250 }])
    expect(wallsCut(room, 1, 63)).toHaveLength(2)
  })
})

describe('the face of a thing', () => {
  const lens = part<Thing>({ id: 'lens', kind: 'lens', name: 'Lens', size: { shape: 'cylinder', diameter_mm: 80, length_mm: 120 } })
  const placed = part<Placed>({ block: 'lens', items: ['lens'], count: 1 })
  const face = (width: number, height: number, circle = false): Face => ({ block: 'lens', x: 10, y: 20, width, height, circle, beyond: false, label: [], labelAt: { x: 0, y: 0 } })
  it('is what the mat draws, upright or lying', () => {
    expect(features(placed, lens, face(80, 120), 1)[0]?.transform).toContain('translate(10 20)')
    expect(features(placed, lens, face(120, 80), 1)[0]?.transform).toContain('rotate(-90)')
  })
  it('is a rim where it is seen from its end, and nothing from a side the mat does not show', () => {
    expect(features(placed, lens, face(80, 80, true), 1)).toHaveLength(2)
    expect(features(placed, lens, face(80, 95), 1)).toEqual([])
    expect(features({ ...placed, count: 3 }, lens, face(80, 120), 1)).toEqual([])
  })
})
