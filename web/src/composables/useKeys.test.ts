// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { inForce, onKey, spelt } from './useKeys'

function press(key: string, held: KeyboardEventInit = {}): boolean {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, ...held })
  onKey(event)
  return event.defaultPrevented
}

describe('keys', () => {
  afterEach(() => inForce.clear())
  it('undo is Ctrl+Z, or Cmd+Z, and redo the same with Shift', () => {
    const [undo, redo] = [vi.fn(), vi.fn()]
    inForce.add({ key: 'ctrl+z', does: 'Undo', run: undo })
    inForce.add({ key: 'ctrl+shift+z', does: 'Redo', run: redo })
    expect(press('z', { ctrlKey: true })).toBe(true)
    expect(press('z', { metaKey: true })).toBe(true)
    expect(press('Z', { ctrlKey: true, shiftKey: true })).toBe(true)
    expect(press('z')).toBe(false)
    expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([2, 1])
  })
  it('leaves what is not its own to the browser', () => {
    inForce.add({ key: 's', does: 'Suggest', run: vi.fn() })
    inForce.add({ key: ' ', does: 'Load, on the mat' })
    expect(press('s', { ctrlKey: true })).toBe(false)
    expect(press('s', { altKey: true })).toBe(false)
    expect(press(' ')).toBe(false)
    expect(press('s')).toBe(true)
  })
  it('is spelt as on the keyboard', () => {
    expect(['ctrl+shift+z', ' ', '/'].map(spelt)).toEqual(['Ctrl+Shift+Z', 'Space', '/'])
  })
})
