import { describe, expect, it } from 'vitest'
import { markedAs, withMark } from './marks'

describe('what must come and what must stay', () => {
  it('is one of the two, and goes when it is said again', () => {
    const come = withMark({ must_take: ['body'], must_leave: ['tele'], slots: [] }, 'tele', 'must_take')
    expect(come).toEqual({ must_take: ['body', 'tele'], must_leave: [], slots: [] })
    expect(markedAs(come, 'tele')).toBe('always take')
    expect(withMark(come, 'tele', 'must_take').must_take).toEqual(['body'])
    expect(markedAs(withMark(come, 'tele', 'must_leave'), 'tele')).toBe('leave at home')
    expect(markedAs({ must_take: [], must_leave: [], slots: [] }, 'tele')).toBe('')
  })
})
