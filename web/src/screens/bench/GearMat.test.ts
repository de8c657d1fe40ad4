// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { mounted, signedIn, thing } from '@/testing/mount'
import GearMat from './GearMat.vue'

const THINGS = new Map(
  [
    thing('body', 'body'),
    thing('wide', 'lens', { focal_min_mm: 16, name: 'Wide zoom' }),
    thing('long', 'lens', { focal_min_mm: 100, name: 'Long zoom', absent: { reason: 'on-loan', until: null } }),
    thing('pack', 'battery', { count: 4, mass_g: 82 }),
    thing('bag', 'bag', { size: { shape: 'box', length_mm: 500, width_mm: 300, height_mm: 200 } }),
  ].map((t) => [t.id, t]),
)
let mat: ReturnType<typeof mounted>
beforeEach(() => {
  signedIn()
  mat = mounted(GearMat, { things: THINGS, loaded: new Map([['body', 1], ['pack', 3]]) })
})
afterEach(() => mat.unmount())

const button = (id: string) => mat.get(`[data-thing="${id}"]`)
const focused = () => document.activeElement?.getAttribute('data-thing')

describe('the mat', () => {
  it('tells what is loaded by state as well as by drawing', () => {
    expect(button('body').attributes('aria-pressed')).toBe('true')
    expect(button('wide').attributes('aria-pressed')).toBe('false')
    expect(button('wide').findAll('.ghost')).toHaveLength(1)
    expect(button('pack').findAll('.solid')).toHaveLength(3)
    expect(button('pack').findAll('.ghost')).toHaveLength(1)
  })
  it('says name, mass, state and absence of each thing', () => {
    expect(button('long').attributes('aria-label')).toBe('Long zoom, 500 g · on loan, left')
    expect(button('pack').attributes('aria-label')).toBe('pack, 3 of 4 · 246 g, loaded')
    expect(button('pack').text()).toContain('3 of 4 · 246 g')
  })
  it('loads all pieces of a left thing and leaves all of a loaded one', async () => {
    await button('wide').trigger('click')
    await button('body').trigger('click')
    await button('pack').get('.name').trigger('click')
    expect(mat.emitted('load')).toEqual([['wide', 1]])
    expect(mat.emitted('leave')).toEqual([
      ['body', null],
      ['pack', null],
    ])
  })
  it('loads or leaves one piece where one piece is clicked', async () => {
    const pieces = button('pack').findAll('[data-piece]')
    await pieces[3]!.trigger('click')
    await pieces[0]!.trigger('click')
    expect(mat.emitted('load')).toEqual([['pack', 1]])
    expect(mat.emitted('leave')).toEqual([['pack', 1]])
  })
  it('does the same by keys, and opens a thing with Enter', async () => {
    await button('wide').trigger('keydown', { key: ' ' })
    await button('pack').trigger('keydown', { key: '+' })
    await button('pack').trigger('keydown', { key: '-' })
    await button('body').trigger('keydown', { key: '+' })
    await button('body').trigger('keydown', { key: 'Enter' })
    expect(mat.emitted('load')).toEqual([
      ['wide', 1],
      ['pack', 1],
    ])
    expect(mat.emitted('leave')).toEqual([['pack', 1]])
    expect(mat.emitted('open')).toEqual([['body']])
  })
  it('has one stop for the Tab key, and arrows from there', async () => {
    expect(mat.findAll('[data-thing][tabindex="0"]')).toHaveLength(1)
    ;(button('body').element as HTMLElement).focus()
    await button('body').trigger('keydown', { key: 'ArrowRight' })
    await mat.vm.$nextTick()
    expect(focused()).toBe('wide')
    await button('wide').trigger('keydown', { key: 'ArrowLeft' })
    await mat.vm.$nextTick()
    expect(focused()).toBe('body')
  })
  it('shows what is looked for, and goes to the first hit on Enter', async () => {
    await mat.get('input').setValue('zoom')
    expect(mat.findAll('[data-thing]').map((b) => b.attributes('data-thing'))).toEqual(['wide', 'long'])
    await mat.get('input').trigger('keydown', { key: 'Enter' })
    await mat.vm.$nextTick()
    expect(focused()).toBe('wide')
    await mat.get('input').setValue('nothing of the sort')
    expect(mat.text()).toContain('No item by that name.')
  })
  it('never moves a thing when another is loaded', async () => {
    const places = () => mat.findAll<HTMLElement>('[data-thing]').map((b) => b.element.style.left + b.element.style.top)
    const before = places()
    await mat.setProps({ loaded: new Map([['bag', 1]]) })
    expect(places()).toEqual(before)
  })
  it('lays a crowd beside the mat, but never what is loaded', async () => {
    const many = new Map(Array.from({ length: 400 }, (_, i) => [`t${i}`, thing(`t${i}`, 'other')] as const))
    await mat.setProps({ things: many, loaded: new Map([['t399', 1]]) })
    expect(mat.findAll('[data-thing]')).toHaveLength(300)
    expect(button('t399').attributes('aria-pressed')).toBe('true')
    expect(mat.text()).toContain('100 more items do not fit on the mat')
    await mat.setProps({ loaded: new Map() })
    expect(button('t399').attributes('aria-pressed')).toBe('false')
    await mat.setProps({ loaded: new Map([['t398', 1]]) })
    expect(button('t398').attributes('aria-pressed')).toBe('true')
    expect(mat.findAll('[data-thing]')).toHaveLength(301)
    await mat.get('input').setValue('t35')
    expect(mat.findAll('[data-thing]')).toHaveLength(11)
  })
  it('leads to the locker while that is empty', async () => {
    await mat.setProps({ things: new Map() })
    expect(mat.text()).toContain('Your locker is empty')
    expect(mat.find('a').attributes('href')).toBe('/locker')
  })
})
