import { describe, expect, it } from 'vitest'
import type { Thing } from '@/api/types'
import { KIND } from '@/wording/kinds'
import { draw, face } from './shapes'

describe('drawings', () => {
  it('show the two longest sides of a box', () => {
    expect(face({ shape: 'box', length_mm: 72, width_mm: 129, height_mm: 98 })).toEqual({ width: 129, height: 98 })
  })
  it('keep the volume of a soft thing in sight: eight times the litres is twice as wide', () => {
    const small = face({ shape: 'soft', volume_l: 1 })
    expect(face({ shape: 'soft', volume_l: 8 }).width).toBeCloseTo(2 * small.width)
  })
  it.each(Object.keys(KIND) as Thing['kind'][])('of a %s have an outline and no broken number', (kind) => {
    for (const size of [
      { shape: 'box', length_mm: 130, width_mm: 98, height_mm: 72 },
      { shape: 'cylinder', diameter_mm: 80, length_mm: 9 },
      { shape: 'soft', volume_l: 0.05 },
    ] as const) {
      const drawn = draw({ kind, size } as Thing)
      expect(drawn.strokes.some((s) => s.role === 'outline')).toBe(true)
      expect(drawn.width).toBeGreaterThan(0)
      for (const stroke of drawn.strokes) expect(stroke.d).not.toMatch(/NaN|undefined|Infinity/)
    }
  })
  it('lay a tripod on its side and show a filter round', () => {
    const legs = draw({ kind: 'tripod', size: { shape: 'cylinder', diameter_mm: 90, length_mm: 500 } } as Thing)
    expect(legs.width).toBe(500)
    const filter = draw({ kind: 'filter', size: { shape: 'cylinder', diameter_mm: 85, length_mm: 8 } } as Thing)
    expect([filter.width, filter.height]).toEqual([85, 85])
  })
})
