// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { mounted, signedIn } from '@/testing/mount'
import TickRow from './TickRow.vue'

let shown: ReturnType<typeof mounted>
beforeEach(() => signedIn())
afterEach(() => shown?.unmount())

describe('a line to tick off', () => {
  it('says what it is about and whether it is done', async () => {
    shown = mounted(TickRow, { done: false, head: 'Corrie 24–70', body: 'low, left' })
    const row = shown.get('button')
    expect(row.text()).toBe('Corrie 24–70 low, left')
    expect(row.attributes('aria-pressed')).toBe('false')
    await row.trigger('click')
    expect(shown.emitted('tick')).toHaveLength(1)
    await shown.setProps({ done: true })
    expect(row.attributes('aria-pressed')).toBe('true')
  })
})
