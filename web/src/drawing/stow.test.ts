import { describe, expect, it } from 'vitest'
import type { Placed, RoomUse, Thing } from '@/api/types'
import { part } from '@/testing/part'
import { goesIn, labelIn, plan, roomAt, section, silhouettes } from './stow'

function placed(block: string, at: [number, number, number], size: [number, number, number], more: Partial<Placed> = {}): Placed {
  return { block, items: [block], count: 1, room: 'r', at_mm: at, size_mm: size, turn: [0, 1, 2], round: null, hard: true, mass_g: 100, pinned: false, layer: 0, ...more }
}
const ROOM = part<RoomUse>({ room: 'r', size_mm: [300, 200, 100], divided: true })
const name = (p: Placed): string => p.block

describe('the plan', () => {
  it('draws what lies deepest first and what is past the cut as outlines on top', () => {
    const drawn = plan([placed('high', [0, 0, 60], [50, 50, 40]), placed('low', [0, 0, 0], [80, 80, 60])], 1, 50, name)
    expect(drawn.map((f) => [f.block, f.beyond])).toEqual([['low', false], ['high', true]])
  })
  it('is true to scale, and shows a round thing that stands as a circle', () => {
    const [face] = plan([placed('l', [10, 20, 0], [83, 83, 100], { round: 'z' })], 0.5, 100, name)
    expect([face!.x, face!.y, face!.width, face!.height, face!.circle]).toEqual([5, 10, 41.5, 41.5, true])
  })
})

describe('the section', () => {
  it('shows what the cut goes through, the back at the foot', () => {
    const drawn = section([placed('a', [0, 0, 0], [50, 50, 40]), placed('b', [60, 100, 0], [50, 50, 40])], ROOM, 1, 25, name)
    expect(drawn.map((f) => [f.block, f.y])).toEqual([['a', 60]])
  })
})

describe('labels', () => {
  it('move aside where something lies over their middle, and go where nothing of their face is clear', () => {
    const under = placed('lens', [0, 0, 0], [120, 120, 60])
    const [moved] = plan([under, placed('card', [30, 45, 60], [60, 30, 5])], 1, 100, name)
    expect(moved!.label).toEqual(['lens'])
    expect(Math.abs(moved!.labelAt.y - 60)).toBeGreaterThan(20)
    const [covered] = plan([under, placed('lid', [0, 0, 60], [120, 120, 5])], 1, 100, name)
    expect(covered!.label).toEqual([])
  })
  it('stand in as many lines as fit, or not at all', () => {
    expect(labelIn('Tarn 16–35 f/4', 120, 30)).toEqual(['Tarn 16–35 f/4'])
    expect(labelIn('Tarn 16–35 f/4', 60, 44)).toEqual(['Tarn', '16–35 f/4'])
    expect(labelIn('Tarn 16–35 f/4', 40, 14)).toEqual([])
  })
})

describe('room that is left', () => {
  it('is as large as its neighbours and their dividers allow', () => {
    // Next to a box of 100 mm and a divider of 8 mm: 192 mm of 300 are left.
    expect(roomAt([placed('a', [0, 0, 0], [100, 200, 100])], ROOM, 8, 200, 100)).toEqual({ at: [108, 0, 0], size: [192, 200, 100] })
  })
  it('starts on top of what lies there', () => {
    expect(roomAt([placed('a', [0, 0, 0], [300, 200, 40])], ROOM, 8, 150, 100)).toEqual({ at: [0, 0, 48], size: [300, 200, 52] })
  })
  it('is none where something reaches the front', () => {
    expect(roomAt([placed('a', [0, 0, 0], [300, 200, 100])], ROOM, 8, 150, 100)).toBeNull()
  })
  it('takes a thing however it is turned', () => {
    expect(goesIn([205, 94, 94], [100, 100, 210])).toBe(true)
    expect(goesIn([205, 94, 94], [200, 200, 200])).toBe(false)
  })
})

describe('what is left over', () => {
  const thing = (id: string, length_mm: number) => part<Thing>({ id, kind: 'lens', size: { shape: 'cylinder', length_mm, diameter_mm: 80 } })
  const soft = part<Thing>({ id: 'coat', kind: 'other', size: { shape: 'soft', volume_l: 3 } })
  it('is drawn at one scale, each once, in rows, without what is soft', () => {
    const made = silhouettes([thing('long', 400), thing('short', 200), thing('long', 400), soft], 100)
    expect(made.shapes.map((s) => s.item)).toEqual(['long', 'short'])
    expect(made.shapes[0]!.width).toBeCloseTo(98)
    expect(made.shapes[1]!.width).toBeCloseTo(48)
    expect(made.shapes[1]!.y).toBeGreaterThan(made.shapes[0]!.y)
    expect(silhouettes([], 100)).toEqual({ shapes: [], height: 0 })
  })
})
