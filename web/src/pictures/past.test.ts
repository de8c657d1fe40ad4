import { describe, expect, it } from 'vitest'
import type { Past } from '@/api/types'
import { hourBars, hoursSay, namesAsked, pastSays } from './past'

const hours = (at: Record<number, number>) => Array.from({ length: 24 }, (_, h) => at[h] ?? 0)

describe('names that nothing answers to', () => {
  it('are asked once each, those of most pictures first', () => {
    const asked = namesAsked([
      { body: 'A', lens: 'L', frames: 3 },
      { body: '', lens: 'L', frames: 9 },
      { body: 'A', lens: '', frames: 1 },
    ])
    expect(asked).toEqual([
      { kind: 'lens', name: 'L', frames: 12 },
      { kind: 'body', name: 'A', frames: 4 },
    ])
  })
})
describe('hours', () => {
  it('are told by the shortest run that holds two thirds, over midnight too', () => {
    expect(hoursSay(hours({ 6: 5, 7: 5, 18: 1 }))).toBe('mostly 6 to 8 h')
    expect(hoursSay(hours({ 23: 5, 0: 5 }))).toBe('mostly 23 to 1 h')
    expect(hoursSay(hours({ 23: 4, 0: 4, 12: 3 }))).toBe('mostly 23 to 1 h')
    expect(hoursSay(hours({}))).toBe('no times known')
  })
  it('stand on the ground, the most frequent as high as there is room', () => {
    const bars = hourBars(hours({ 6: 4, 7: 2 }), 120, 18)
    expect([bars[6]!.height, bars[7]!.height, bars[8]!.height]).toEqual([18, 9, 0])
    expect(bars.every((b) => b.y + b.height === 18)).toBe(true)
  })
})
it('what was read says what is missing', () => {
  const past: Past = { frames: 40, without_focal: 2, as_written: 3, few: 1, wants: [], unknown: [] }
  const said = pastSays(past, 1, 41, 90)
  for (const part of ['40 pictures read before you stopped, of 90.', '1 file has no metadata.', '2 pictures without a focal length.', 'Too few']) expect(said).toContain(part)
})
