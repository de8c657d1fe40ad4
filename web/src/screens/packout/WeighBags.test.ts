// @vitest-environment jsdom
import { ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { What } from '@/api/types'
import { mounted, NAMES, signedIn } from '@/testing/mount'
import WeighBags from './WeighBags.vue'

const made: What[] = []
const field = { mark: vi.fn((what: What) => made.push(what)), stands: ref({ now: new Map(), log: [], conflicts: [] }) }
const bags = [{ bag: 'ridge', inside: null, planned_g: 8567, weighed_g: null, since_g: 0, unsure: [] }]
const entries = [
  { item: 'ridge', count: 1, place: { where: 'piece', piece: 'cabin', person: 'ines' } },
  { item: 'cube', count: 1, place: { where: 'bag', bag: 'ridge', outside: false } },
  { item: 'lb4', count: 3, place: { where: 'bag', bag: 'cube', outside: false } },
]
const held = [{ item: 'cube', count: 1, mass_g: 0 }, { item: 'lb4', count: 3, mass_g: 0 }]
let shown: ReturnType<typeof mounted>
beforeEach(() => {
  made.length = 0
})
afterEach(() => shown?.unmount())

async function weighIn(units: 'metric' | 'imperial', typed: string): Promise<void> {
  signedIn(units)
  shown = mounted(WeighBags, { bags, entries, field, scale: { isPending: ref(false) }, things: new Map(), names: NAMES })
  await shown.get('input').setValue(typed)
  await shown.get('input').trigger('keydown.enter')
}

describe('weighing in', () => {
  it('takes kilograms from who reads kilograms', async () => {
    await weighIn('metric', '8,73')
    expect(shown.text()).toContain('kg')
    expect(made).toEqual([{ do: 'weighed', bag: 'ridge', grams: 8730, source: 'typed', held }])
  })
  it('takes pounds from who reads pounds', async () => {
    await weighIn('imperial', '18.9')
    expect(shown.get('input').attributes('aria-label')).toMatch(/^Pounds of /)
    expect(made).toEqual([{ do: 'weighed', bag: 'ridge', grams: 8573, source: 'typed', held }])
  })
  it('takes a weighing back', async () => {
    field.stands.value.now.set('weight:ridge', { what: { do: 'weighed', bag: 'ridge', grams: 8400, source: 'scale', held: [] } })
    await weighIn('metric', '8,73')
    await shown.findAll('button').find((b) => b.text() === 'Undo')!.trigger('click')
    expect(made.at(-1)).toEqual({ do: 'weighed', bag: 'ridge', grams: 8400, source: 'scale', held: [] })
    expect(shown.get('[role=status]').text()).toContain('back at 8.40 kg')
    await shown.findAll('button').find((b) => b.text() === 'Undo')!.trigger('click')
    expect(made.at(-1)).toMatchObject({ do: 'weighed', bag: 'ridge', grams: null })
    field.stands.value.now.clear()
  })
  it('says in the same units what it takes', async () => {
    await weighIn('imperial', '900')
    expect(made).toEqual([])
    expect(shown.get('[role=status]').text()).toBe('Type pounds, more than 0 and at most 220.5 lb.')
  })
})
