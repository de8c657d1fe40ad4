import { describe, expect, it } from 'vitest'
import type { Cure, Edit } from '@/api/types'
import { cure } from '@/testing/cures'
import { cureText, noWayText, partText } from './cures'

const names = {
  thing: (id: string) => ({ lb4: 'LB-4', c1: 'C1', ridge: 'Ridge 32', tele: '1.4×', sling: 'Sling 6' })[id] ?? id,
  person: (id: string) => (id === 'm' ? 'Marit' : 'Ines'),
  leg: () => 'Small plane',
  want: () => 'Sea eagles',
}
const into = (item: string, bag: string, outside = false): Edit => ({ act: 'move', item, place: { where: 'bag', bag, outside } })
const on = (item: string): Edit => ({ act: 'move', item, place: { where: 'worn', person: 'p', unplaced: false } })

describe('ways out', () => {
  it.each<[string, Cure]>([
    ['Load 2 × LB-4 (+164 g)', cure({ code: 'load', edits: [{ act: 'load', item: 'lb4', count: 2 }], mass_change_g: 164 })],
    ['Load C1 and 1.4× (+894 g)', cure({ code: 'load', edits: [{ act: 'load', item: 'c1', count: 1 }, { act: 'load', item: 'tele', count: 1 }], mass_change_g: 894 })],
    ['Load 1.4×; carry C1 on Ines (+178 g)', cure({ code: 'load', edits: [{ act: 'load', item: 'tele', count: 1 }, on('c1')], mass_change_g: 178 })],
    ['Leave C1 (−716 g, brief −17.1 %)', cure({ code: 'leave', edits: [{ act: 'leave', item: 'c1' }], mass_change_g: -716, points: 17.1 })],
    ['Leave 2 of LB-4 (−164 g)', cure({ code: 'leave', edits: [{ act: 'leave', item: 'lb4', count: 2 }], mass_change_g: -164 })],
    ['Move C1 to Ridge 32 (716 g)', cure({ code: 'move', edits: [into('c1', 'ridge')], moved_g: 716 })],
    ['Move 2 × LB-4 and C1 to Ridge 32 (880 g)', cure({ code: 'move', edits: [{ act: 'move', item: 'lb4', count: 2, place: { where: 'bag', bag: 'ridge', outside: false } }, into('c1', 'ridge')], moved_g: 880 })],
    ['Load 2 × LB-4 (+164 g on Marit, batteries last 3 days longer)', cure({ code: 'load', edits: [{ act: 'load', item: 'lb4', count: 2 }], mass_change_g: 164, on: { m: 164 }, power_days: 3 })],
    ['Strap C1 to the outside of Ridge 32 (716 g)', cure({ code: 'outside', edits: [into('c1', 'ridge', true)], moved_g: 716 })],
    ['Take C1 off the outside, into Ridge 32 (0 g)', cure({ code: 'take-off', edits: [into('c1', 'ridge')] })],
    ['Carry C1 on Ines (716 g)', cure({ code: 'wear', edits: [on('c1')], moved_g: 716 })],
    ['Hand Ridge 32 to Marit (8567 g)', cure({ code: 'hand-over', edits: [{ act: 'move', item: 'ridge', place: { where: 'piece', piece: 'cabin', person: 'm' } }], moved_g: 8567 })],
    ['Check Ridge 32 in (0 g)', cure({ code: 'travel-as', edits: [{ act: 'move', item: 'ridge', place: { where: 'piece', piece: 'hold', person: 'p' } }] })],
    ['Take Sling 6 instead of Ridge 32, with everything in it (−400 g)', cure({ code: 'swap-bag', edits: [{ act: 'load', item: 'sling', count: 1 }, into('c1', 'sling'), { act: 'leave', item: 'ridge' }], mass_change_g: -400 })],
    ['Load 2 × LB-4; buy, rent or borrow one more LB-4 (about +246 g)', cure({ code: 'get', edits: [{ act: 'load', item: 'lb4', count: 2 }], gets: [{ what: 'same', id: 'to-get-0', item: 'lb4', count: 1, mass_g: 82 }], mass_change_g: 246 })],
    ['Buy, rent or borrow one 77 mm polariser (about +40 g)', cure({ code: 'get', gets: [{ what: 'filter', id: 'to-get-0', effect: 'polariser', count: 1, mass_g: 40, thread_mm: 77, stops: null }], mass_change_g: 40 })],
    ['1.5× crop mode reaches 105 mm with 20 MP left (0 g)', cure({ code: 'crop-mode', crop: 1.5, to_mm: 105, megapixels: 20 })],
    ['3 stitched frames see as wide as 16 mm (0 g)', cure({ code: 'stitch', frames: 3, to_mm: 16 })],
    ['Leave it at the base on those 3 days (0 g)', cure({ code: 'at-base', days: 3 })],
    ['Erase each card once you have 2 copies: then the cards last (0 g)', cure({ code: 'erase-after', copies: 2 })],
  ])('%s', (text, given) => {
    expect(cureText(given, names, 'metric')).toBe(text)
  })
  it('say what stays where they help in part', () => {
    expect(partText(cure({ code: 'load' }))).toBe('')
    expect(partText(cure({ code: 'load', partly: true, rest: 0.4 }))).toBe('in part: 40 % remains')
    expect(partText(cure({ code: 'load', partly: true, rest: 0.01 }))).toBe('fixes almost all of it')
  })
  it('that are not there are told with the reason', () => {
    expect(noWayText('worse')).toContain('something else you must fix')
    expect(noWayText('brief')).toBe('')
    expect(noWayText(null)).toBe('')
  })
})
