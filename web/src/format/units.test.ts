import { parseTyped } from './typed'
import { describe, expect, it } from 'vitest'
import * as fmt from './units'

describe('masses', () => {
  it.each([
    [806, 'metric', '806 g'],
    [2.2, 'metric', '2.2 g'],
    [0, 'metric', '0 g'],
    [12345, 'metric', '12\u202f345 g'],
    [28.349523125, 'imperial', '1.0 oz'],
    [453.59237, 'imperial', '1 lb 0 oz'],
    [806, 'imperial', '1 lb 12 oz'],
    // 15.97 oz would read "16.0 oz"; it is a pound.
    [452.7, 'imperial', '1 lb 0 oz'],
    [-806, 'metric', '−806 g'],
  ] as const)('%d g in %s is %s', (grams, units, text) => {
    expect(fmt.mass(grams, units)).toBe(text)
  })

  it('shows a change with its sign', () => {
    expect(fmt.massChange(164, 'metric')).toBe('+164 g')
    expect(fmt.massChange(-806, 'metric')).toBe('−806 g')
    expect(fmt.massChange(0, 'metric')).toBe('0 g')
  })

  it('shows loads in kilograms or pounds, limits without empty decimals', () => {
    expect(fmt.load(8567, 'metric')).toBe('8.57 kg')
    expect(fmt.load(8567, 'imperial')).toBe('18.9 lb')
    expect(fmt.limit(8000, 'metric')).toBe('8 kg')
    expect(fmt.limit(7500, 'metric')).toBe('7.5 kg')
    expect(fmt.limit(10000, 'metric')).toBe('10 kg')
    expect(fmt.limit(20000, 'imperial')).toBe('44.1 lb')
  })

  it('never shows a negative zero', () => {
    expect(fmt.figure(-0.2)).toBe('0')
  })
})

describe('sizes, volumes, temperatures', () => {
  it('shows three sides with one unit', () => {
    expect(fmt.sides([540, 380, 245], 'metric')).toBe('54 × 38 × 24.5 cm')
    expect(fmt.sides([540, 380, 240], 'imperial')).toBe('21.3 × 15.0 × 9.4 in')
  })
  it('shows litres or cubic inches', () => {
    expect(fmt.volume(24.13, 'metric')).toBe('24.1 l')
    expect(fmt.volume(32, 'imperial')).toBe('1953 in³')
  })
  it('shows temperatures', () => {
    expect(fmt.temperature(-9, 'metric')).toBe('−9 °C')
    expect(fmt.temperature(-9, 'imperial')).toBe('16 °F')
  })
})

describe('optics', () => {
  it.each([
    [14, 14, '14 mm'],
    [16.5, 30, '16.5–30 mm'],
    [70, 100, '70–100 mm'],
    [71.8, 100, '72–100 mm'],
  ])('%d to %d is %s', (from, to, text) => {
    expect(fmt.focalRange(from, to)).toBe(text)
  })
  it.each([
    [2.8, 'f/2.8'],
    [8, 'f/8'],
    [8.82, 'f/8.8'],
    [11, 'f/11'],
    [12.6, 'f/12.6'],
  ])('%d is %s', (n, text) => {
    expect(fmt.fNumber(n)).toBe(text)
  })
  it('shows shares as whole percentages', () => {
    expect(fmt.percent(0.874)).toBe('87 %')
  })
})

describe('typed quantities', () => {
  const all: fmt.Quantity[] = ['mass', 'load', 'body', 'side', 'thing', 'volume', 'temperature', 'plain']
  it.each(all.flatMap((q) => (['metric', 'imperial'] as const).map((u) => [q, u] as const)))('%s in %s comes back as stored', (quantity, units) => {
    const how = fmt.typed(quantity, units)
    expect(how.store(how.show(123.4))).toBeCloseTo(123.4, 9)
  })
  it.each([
    ['8,5', 'load', 'metric', 8500],
    ['18.9', 'load', 'imperial', 8572.8958],
    ['10', 'mass', 'imperial', 283.49523],
    ['−4', 'temperature', 'imperial', -20],
    [' ', 'load', 'imperial', null],
    ['much', 'mass', 'metric', Number.NaN],
  ] as const)('%s of %s typed in %s is %s', (raw, quantity, units, stored) => {
    const value = parseTyped(raw, quantity, units)
    if (stored === null || Number.isNaN(stored)) expect(value).toBe(stored)
    else expect(value).toBeCloseTo(stored, 3)
  })
  it('takes bag sides in centimetres and gear in millimetres', () => {
    expect(fmt.typed('side', 'metric').store(55)).toBe(550)
    expect(fmt.typed('thing', 'metric').store(55)).toBe(55)
    expect(fmt.typed('thing', 'imperial').store(1)).toBeCloseTo(25.4)
  })
})
