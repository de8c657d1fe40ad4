// @vitest-environment jsdom
import { ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { What } from '@/api/types'
import { mounted, NAMES, signedIn } from '@/testing/mount'
import WeighBags from './WeighBags.vue'

const made: What[] = []
const field = { mark: vi.fn((what: What) => made.push(what)), stands: ref({ now: new Map(), log: [], conflicts: [] }) }
const bags = [{ bag: 'ridge', inside: null, planned_g: 8567, unsure: [] }]
let shown: ReturnType<typeof mounted>
beforeEach(() => {
  made.length = 0
})
afterEach(() => shown?.unmount())

async function weighIn(units: 'metric' | 'imperial', typed: string): Promise<void> {
  signedIn(units)
  shown = mounted(WeighBags, { bags, field, scale: { isPending: ref(false) }, things: new Map(), names: NAMES })
  await shown.get('input').setValue(typed)
  await shown.get('input').trigger('keydown.enter')
}

describe('weighing in', () => {
  it('takes kilograms from who reads kilograms', async () => {
    await weighIn('metric', '8,73')
    expect(shown.text()).toContain('kg')
    expect(made).toEqual([{ do: 'weighed', bag: 'ridge', grams: 8730, source: 'typed' }])
  })
  it('takes pounds from who reads pounds', async () => {
    await weighIn('imperial', '18.9')
    expect(shown.get('input').attributes('aria-label')).toMatch(/^Pounds of /)
    expect(made).toEqual([{ do: 'weighed', bag: 'ridge', grams: 8573, source: 'typed' }])
  })
  it('says in the same units what it takes', async () => {
    await weighIn('imperial', '900')
    expect(made).toEqual([])
    expect(shown.get('[role=status]').text()).toBe('Type pounds, more than 0 and at most 220.5 lb.')
  })
})
