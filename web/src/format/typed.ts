/** What is typed into a field with a unit, read as it was meant: with or without a unit, in whichever people use. Pure. */
import type { Units } from '@/api/types'
import { type Quantity, typed } from './units'

type Dimension = 'mass' | 'length' | 'volume' | 'temperature' | 'time' | 'angle'

/** Each unit in the base of its dimension: grams, millimetres, litres, hours, degrees. */
const UNIT: Record<string, [Dimension, number]> = {
  g: ['mass', 1],
  gr: ['mass', 1],
  gram: ['mass', 1],
  grams: ['mass', 1],
  kg: ['mass', 1000],
  kilo: ['mass', 1000],
  kilos: ['mass', 1000],
  oz: ['mass', 28.349523125],
  ounce: ['mass', 28.349523125],
  ounces: ['mass', 28.349523125],
  lb: ['mass', 453.59237],
  lbs: ['mass', 453.59237],
  pound: ['mass', 453.59237],
  pounds: ['mass', 453.59237],
  mm: ['length', 1],
  cm: ['length', 10],
  m: ['length', 1000],
  in: ['length', 25.4],
  inch: ['length', 25.4],
  inches: ['length', 25.4],
  '"': ['length', 25.4],
  '″': ['length', 25.4],
  ft: ['length', 304.8],
  feet: ['length', 304.8],
  l: ['volume', 1],
  litre: ['volume', 1],
  litres: ['volume', 1],
  liter: ['volume', 1],
  liters: ['volume', 1],
  dl: ['volume', 0.1],
  cl: ['volume', 0.01],
  ml: ['volume', 0.001],
  'in³': ['volume', 0.016387064],
  in3: ['volume', 0.016387064],
  '°c': ['temperature', 1],
  c: ['temperature', 1],
  '°f': ['temperature', 1],
  f: ['temperature', 1],
  h: ['time', 1],
  hr: ['time', 1],
  hour: ['time', 1],
  hours: ['time', 1],
  min: ['time', 1 / 60],
  minutes: ['time', 1 / 60],
  s: ['time', 1 / 3600],
  '°': ['angle', 1],
  '°n': ['angle', 1],
  '°e': ['angle', 1],
  '°s': ['angle', -1],
  '°w': ['angle', -1],
}
/** What a quantity is stored in, as a dimension and how much of its base that is. */
const STORED: Record<Exclude<Quantity, 'plain'>, [Dimension, number]> = {
  mass: ['mass', 1],
  load: ['mass', 1],
  body: ['mass', 1000],
  side: ['length', 1],
  thing: ['length', 1],
  volume: ['volume', 1],
  temperature: ['temperature', 1],
}
const NUMBER = String.raw`[-+]?(?:\d+(?:[.,]\d*)?|[.,]\d+)`
const PART = new RegExp(`(${NUMBER})\\s*([^\\d\\s.,+-][^\\d\\s.,+-]*(?:[³3](?!\\d))?)?`, 'gy')

/** Spaces between thousands go; a real minus, curly primes and thin spaces are what they look like. */
function plain(raw: string): string {
  return raw
    .trim()
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/[−–](?=\s*[\d.,])/g, '-')
    .replace(/[’′]/g, "'")
    .replace(/[”″]/g, '"')
    .replace(/(\d) (?=\d{3}(?!\d))/g, '$1')
}
function number(text: string): number {
  return Number(text.replace(',', '.'))
}
interface Part {
  value: number
  unit: string
}
/** "3 lb 1 oz" as its parts; null when anything in it is neither number nor unit. */
function partsOf(text: string): Part[] | null {
  const found: Part[] = []
  let at = 0
  PART.lastIndex = 0
  for (let made = PART.exec(text); made; made = PART.exec(text)) {
    found.push({ value: number(made[1]!), unit: (made[2] ?? '').toLowerCase() })
    at = PART.lastIndex
    while (text[at] === ' ') at += 1
    PART.lastIndex = at
  }
  return found.length && at >= text.length ? found : null
}
/** The sum of parts of one dimension, in its base; NaN when a unit is another's. */
function sum(parts: readonly Part[], dimension: Dimension): number {
  let total = 0
  const sign = parts[0]!.value < 0 ? -1 : 1
  for (const { value, unit } of parts) {
    const known = UNIT[unit]
    if (!known || known[0] !== dimension) return Number.NaN
    total += Math.abs(value) * known[1]
  }
  return sign * total
}
const HALVES = { latitude: ['n', 's'], longitude: ['e', 'w'] } as const

/** Degrees from "46.5", "46° 30' N", "46°30'12\" S", "12 E". */
export function parseAngle(raw: string, half: keyof typeof HALVES): number | null {
  const text = plain(raw).toLowerCase().replace('°n', '° n').replace('°e', '° e')
  if (text === '') return null
  const made = new RegExp(`^(${NUMBER})\\s*°?\\s*(?:(\\d+(?:[.,]\\d*)?)\\s*'\\s*)?(?:(\\d+(?:[.,]\\d*)?)\\s*"\\s*)?([nsew])?$`).exec(text)
  if (!made) return Number.NaN
  const [forward, back] = HALVES[half]
  if (made[4] && made[4] !== forward && made[4] !== back) return Number.NaN
  const degrees = number(made[1]!)
  const size = Math.abs(degrees) + number(made[2] ?? '0') / 60 + number(made[3] ?? '0') / 3600
  return (degrees < 0 || made[4] === back ? -1 : 1) * Number(size.toFixed(6))
}

/**
 * What was typed, as it is stored; null when nothing was, NaN when it is no such figure. Without a unit it is in the
 * user's own. unit: what a plain field is counted in ("Wh", "mm"): it may be typed behind the figure.
 */
export function parseTyped(raw: string, quantity: Quantity, units: Units, unit = ''): number | null {
  const text = plain(raw)
  if (text === '') return null
  if (unit === '°N' || unit === '°E') return parseAngle(raw, unit === '°N' ? 'latitude' : 'longitude')
  const parts = partsOf(text.replace(/^f\//i, ''))
  if (!parts) return Number.NaN
  if (parts.length === 1 && !parts[0]!.unit) return round(typed(quantity, units).store(parts[0]!.value))
  if (quantity === 'plain') return round(plainWithUnit(parts, unit))
  const [dimension, base] = STORED[quantity]
  if (dimension !== 'temperature') return round(sum(parts, dimension) / base)
  const degree = parts[0]!.unit.replace('°', '')
  if (parts.length !== 1 || (degree !== 'c' && degree !== 'f')) return Number.NaN
  return round(degree === 'f' ? ((parts[0]!.value - 32) * 5) / 9 : parts[0]!.value)
}
function plainWithUnit(parts: readonly Part[], unit: string): number {
  const own = unit.toLowerCase()
  if (parts.length === 1 && parts[0]!.unit === own) return parts[0]!.value
  const known = UNIT[own]
  return known ? sum(parts, known[0]) / known[1] : Number.NaN
}
function round(value: number): number {
  return Number.isFinite(value) ? Number(value.toPrecision(12)) : Number.NaN
}

const EXAMPLES: Record<Quantity, string> = {
  mass: '850 g, 1.5 kg or 3 lb 1 oz',
  load: '8.4 kg, 850 g or 18 lb 8 oz',
  body: '62 kg or 137 lb',
  side: '55 cm, 550 mm or 21.5 in',
  thing: '120 mm, 12 cm or 4.7 in',
  volume: '24 l or 1470 in³',
  temperature: '−9 °C or 16 °F',
  plain: '',
}
/** What to type instead of something that is no such figure. */
export function askFor(quantity: Quantity, unit: string): string {
  if (unit === '°N') return 'Degrees, as 46.5 or 46° 30′ N'
  if (unit === '°E') return 'Degrees, as 8.2 or 8° 12′ E'
  return EXAMPLES[quantity] ? `A figure, as ${EXAMPLES[quantity]}` : `A number, please${unit ? `, in ${unit}` : ''}`
}
