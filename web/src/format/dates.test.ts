import { describe, expect, it } from 'vitest'
import { addDays, day, span } from './dates'

describe('dates', () => {
  it('names a day with its weekday', () => {
    expect(day('2027-02-20')).toBe('Sat 20 Feb')
  })
  it.each([
    ['2027-02-20', '2027-02-28', '20–28 Feb 2027'],
    ['2027-02-20', '2027-03-01', '20 Feb – 1 Mar 2027'],
    ['2026-12-30', '2027-01-02', '30 Dec 2026 – 2 Jan 2027'],
    ['2027-02-20', '2027-02-20', '20 Feb 2027'],
  ])('%s to %s is %s', (from, to, text) => {
    expect(span(from, to)).toBe(text)
  })
  it('adds days over months, leap days and years', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
    expect(addDays('2027-12-31', 1)).toBe('2028-01-01')
    expect(addDays('2027-03-28', 1)).toBe('2027-03-29')
  })
})
