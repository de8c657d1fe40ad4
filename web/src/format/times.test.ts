import { describe, expect, it } from 'vitest'
import { seconds, shutter } from './times'

describe('exposure times', () => {
  it.each([['1/60', 1 / 60], ['0.5', 0.5], ['0,5 s', 0.5], ['30s', 30], ['2 min', 120], ['1 h', 3600], ['.25', 0.25]])('reads %s', (text, value) => {
    expect(seconds(text)).toBeCloseTo(value, 9)
  })
  it.each(['', 'fast', '1/0', '-2', '0', '1//60'])('refuses %s', (text) => {
    expect(seconds(text)).toBeNull()
  })
  it.each([[1 / 250, '1/250 s'], [0.5, '0.5 s'], [4, '4 s'], [30, '30 s'], [90, '1.5 min'], [1200, '20 min']])('shows %d', (time, text) => {
    expect(shutter(time)).toBe(text)
  })
})
