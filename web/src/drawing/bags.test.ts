import { expect, test } from 'vitest'
import type { BagSet, Placed, RoomUse, Thing } from '@/api/types'
import { outline, silhouette } from './bags'

const box = (length_mm: number, width_mm: number, height_mm: number) => ({ shape: 'box' as const, length_mm, width_mm, height_mm })
const THINGS = new Map<string, Thing>([
  ['bag', { kind: 'bag', id: 'bag', name: 'Bag', mass_g: 1, size: box(500, 300, 200), volume_l: 25 } as Thing],
  ['cube', { kind: 'insert', id: 'cube', name: 'Cube', mass_g: 1, size: box(300, 200, 150), volume_l: 8 } as Thing],
])
const room = (bag: string, size_mm: [number, number, number]): RoomUse => ({ room: bag, bag, size_mm, litres: (size_mm[0] * size_mm[1] * size_mm[2]) / 1e6 }) as RoomUse
const lies = (block: string, where: string, at_mm: [number, number, number], size_mm: [number, number, number], turn: [number, number, number] = [0, 1, 2]): Placed => ({ block, items: [block], room: where, at_mm, size_mm, turn }) as Placed
const set = (rooms: RoomUse[], placed: Placed[], soft: { room: string; litres: number }[] = []): Pick<BagSet, 'stowage'> => ({ stowage: { rooms, placed, soft } as BagSet['stowage'] })

test('the bottom of a bag is down, and walls are drawn around its space', () => {
  const drawn = silhouette(set([room('bag', [480, 280, 180])], [lies('lens', 'bag', [0, 0, 0], [120, 80, 80])]), 'bag', THINGS)
  expect([drawn.width, drawn.height]).toEqual([300, 500])
  expect(drawn.faces).toEqual([{ block: 'lens', items: ['lens'], x: 10, y: 500 - 10 - 120, width: 80, height: 120 }])
})

test('what lies in an insert is turned as the insert is', () => {
  // The insert's width stands up, its length lies across.
  const cube = lies('cube', 'bag', [0, 0, 0], [200, 280, 150], [1, 0, 2])
  const rooms = [room('bag', [480, 280, 180]), room('cube', [270, 180, 130])]
  const drawn = silhouette(set(rooms, [cube, lies('lens', 'cube', [0, 100, 0], [90, 50, 60])]), 'bag', THINGS)
  const lens = drawn.faces.find((f) => f.block === 'lens')!
  expect([lens.width, lens.height]).toEqual([90, 50])
  expect(lens.x).toBe(10 + (280 - 270) / 2)
  expect(lens.y).toBe(500 - 10 - ((200 - 180) / 2 + 100) - 50)
  expect(drawn.faces.map((f) => f.block)).toEqual(['cube', 'lens'])
})

test('soft things are a band as tall as their litres, and no taller than the bag', () => {
  const drawn = silhouette(set([room('bag', [480, 280, 180])], [], [{ room: 'bag', litres: 5.04 }]), 'bag', THINGS)
  expect(drawn.soft.height).toBeCloseTo(100)
  expect(silhouette(set([room('bag', [480, 280, 180])], [], [{ room: 'bag', litres: 90 }]), 'bag', THINGS).soft.height).toBe(480)
})

test('a soft bag is drawn by its litres; a bag that is not there is nothing', () => {
  const sack = { kind: 'bag', id: 'sack', name: 'Sack', mass_g: 1, size: { shape: 'soft', volume_l: 20 }, volume_l: 20 } as Thing
  expect(outline(sack).height).toBeCloseTo(430.9, 0)
  expect(silhouette(set([], []), 'gone', THINGS)).toEqual({ bag: 'gone', width: 0, height: 0, faces: [], soft: { x: 0, y: 0, width: 0, height: 0 } })
})
