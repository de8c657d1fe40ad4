import { describe, expect, it } from 'vitest'
import type { Divider, OnPerson, RoomUse, Stowage } from '@/api/types'
import { part } from '@/testing/part'
import { dividerLines, enoughText, layoutText, levelText, moves, pullText, ridesText } from './dividers'

const long = (at_mm: number): Divider => ({ across: 'x', at_mm, thick_mm: 8, from_mm: 0, length_mm: 250, long: true })
const short = (length_mm: number): Divider => ({ across: 'y', at_mm: 60, thick_mm: 8, from_mm: 0, length_mm, long: false })
const room = (id: string, more: Partial<RoomUse> = {}): RoomUse => ({ room: id, bag: id.split('/')[0]!, compartment: id.includes('/') ? id.split('/')[1]! : null, name: 'Lid pocket', sort: 'main', access: 'open', divided: true, measured: true, size_mm: [390, 250, 145], litres: 14, fill: 0.5, mass_g: 1, balance_mm: null, layout: null, dividers: [], came_with: null, ...more })
const thing = (id: string): string => ({ pack: 'LB-4 battery', ridge: 'Ridge 32', lens: 'Tarn 14' })[id] ?? id

describe('dividers in words', () => {
  it('counts by length, and says where the long ones stand', () => {
    expect(dividerLines(room('cube', { dividers: [short(94), long(214), long(96), short(94), short(120)] }), 'metric')).toEqual(['2 long, 25 cm, at 9.6 cm and 21.4 cm from the foot', '3 short: 1 of 12 cm and 2 of 9.4 cm'])
    expect(dividerLines(room('cube'), 'metric')).toEqual([])
  })
  it('says what the insert lacks', () => {
    expect(enoughText({ dividers: [long(9), long(99)], came_with: 1 })).toBe('▲ It came with 1: 1 more to get or to cut from foam.')
    expect(enoughText({ dividers: [long(9)], came_with: 4 })).toBe('It came with 4.')
    expect(enoughText({ dividers: [long(9)], came_with: null })).toBe('')
  })
  it('says how things lie', () => {
    expect(layoutText(room('cube', { divided: false }), 8)).toBe('None in this space.')
    expect(layoutText(room('cube', { layout: 'cells', dividers: [long(9)] }), 8)).toContain('Grid of dividers')
    expect(layoutText(room('cube', { layout: 'free' }), 8)).toContain('8 mm between hard items')
  })
})

describe('what moved', () => {
  it('names the space it goes to, and what lies otherwise in its own', () => {
    const stowage = part<Stowage>({
      rooms: [room('ridge'), room('ridge/lid')],
      moved: [
        { item: 'pack', from_room: 'ridge', to_room: 'ridge/lid' },
        { item: 'lens', from_room: 'ridge', to_room: 'ridge' },
      ],
    })
    expect(moves(stowage, thing)).toEqual(['LB-4 battery, to Ridge 32, lid pocket', 'within Ridge 32: Tarn 14'])
  })
})

describe('bags on a person', () => {
  const one: OnPerson = { person: 'ines', mass_g: 10_500, behind_mm: 142, right_mm: 57, back_g: 9_400, front_g: 1_100, left_g: 0, right_g: 1_400, level_g: 1_400, riding: {}, better: null }
  it('says where the weight is and how far off the middle', () => {
    expect(ridesText(one, 'metric')).toBe('9.40 kg on the back, 1.10 kg in front, 1.40 kg on the right')
    expect(levelText(one, 'metric')).toBe('1.40 kg too much on the right, 5.7 cm off the middle')
    expect(levelText({ ...one, level_g: -90 }, 'metric')).toBe('level, left against right')
    expect(pullText(one, 'metric')).toBe('14.2 cm behind the middle of the body')
    expect(pullText({ ...one, behind_mm: -30 }, 'metric')).toBe('3 cm in front of the middle of the body')
  })
})
