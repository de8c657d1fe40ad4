/** Numbers with units, metric or imperial. Storage is always grams, millimetres, litres and degrees Celsius. */
import type { Units } from '@/api/types'

const GRAMS_PER_OUNCE = 28.349523125
const GRAMS_PER_POUND = 453.59237
const MM_PER_INCH = 25.4
const LITRES_PER_CUBIC_INCH = 0.016387064

const THIN = '\u202f'

/** 12345.6 with `digits` decimals and thin spaces between thousands. */
export function figure(value: number, digits = 0): string {
  const [whole = '0', part] = Math.abs(value).toFixed(digits).split('.')
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN) : whole
  const negative = value < 0 && Number(value.toFixed(digits)) !== 0
  return (negative ? '−' : '') + grouped + (part ? `.${part}` : '')
}

/** Mass of a thing: "806 g", or "1 lb 12 oz". */
export function mass(grams: number, units: Units): string {
  if (units === 'metric') return `${figure(grams, grams > 0 && grams < 10 && grams % 1 !== 0 ? 1 : 0)} g`
  const ounces = grams / GRAMS_PER_OUNCE
  if (Math.abs(ounces) < 15.95) return `${figure(ounces, 1)} oz`
  const sign = grams < 0 ? '−' : ''
  const whole = Math.round(Math.abs(ounces))
  return `${sign}${Math.floor(whole / 16)} lb ${whole % 16} oz`
}

/** Mass of a bag or a load: "8.57 kg", or "18.9 lb". */
export function load(grams: number, units: Units): string {
  return units === 'metric' ? `${figure(grams / 1000, 2)} kg` : `${figure(grams / GRAMS_PER_POUND, 1)} lb`
}

/** A limit as it is stated: "8 kg", "7.5 kg". */
export function limit(grams: number, units: Units): string {
  return load(grams, units).replace(/\.?0+ /, ' ')
}

/** A change of mass with its sign: "+164 g", "−806 g". */
export function massChange(grams: number, units: Units): string {
  return (grams > 0 ? '+' : '') + mass(grams, units)
}

/** A side: "54 cm" from 540 mm for bags, or "21.3 in". */
export function side(mm: number, units: Units): string {
  return units === 'metric' ? `${figure(mm / 10, mm % 10 ? 1 : 0)} cm` : `${figure(mm / MM_PER_INCH, 1)} in`
}

/** Three sides: "54 × 38 × 24 cm". */
export function sides(mm: readonly number[], units: Units): string {
  const parts = mm.map((s) => side(s, units).split(' ')[0])
  return `${parts.join(' × ')} ${units === 'metric' ? 'cm' : 'in'}`
}

/** Volume: "24.1 l", or "1 470 in³". */
export function volume(litres: number, units: Units): string {
  return units === 'metric' ? `${figure(litres, 1)} l` : `${figure(litres / LITRES_PER_CUBIC_INCH)} in³`
}

/** Temperature: "−9 °C", or "16 °F". */
export function temperature(celsius: number, units: Units): string {
  return units === 'metric' ? `${figure(celsius)} °C` : `${figure((celsius * 9) / 5 + 32)} °F`
}

/** A focal length, which is millimetres everywhere. */
export function focal(mm: number): string {
  return figure(mm, mm < 20 && Math.abs(mm - Math.round(mm)) > 0.05 ? 1 : 0)
}

/** A focal range: "24–70 mm", or "14 mm". */
export function focalRange(from: number, to: number): string {
  return focal(from) === focal(to) ? `${focal(from)} mm` : `${focal(from)}–${focal(to)} mm`
}

/** An f-number: "f/2.8", "f/8". */
export function fNumber(n: number): string {
  return `f/${n >= 10 ? figure(n, n % 1 > 0.05 ? 1 : 0) : Number(n.toFixed(1))}`
}

/** A share as a whole percentage: 0.874 is "87 %". */
export function percent(share: number): string {
  return `${figure(100 * share)} %`
}

/** A difference of temperature: "3 °C", or "5 °F". */
export function temperatureStep(celsius: number, units: Units): string {
  return units === 'metric' ? `${figure(celsius)} °C` : `${figure((celsius * 9) / 5)} °F`
}

/** How a quantity is typed: its unit, and conversion to and from what is stored. */
export interface Typed {
  unit: string
  digits: number
  show: (stored: number) => number
  store: (shown: number) => number
}

const same = (n: number): number => n

function scaled(unit: string, digits: number, factor: number): Typed {
  return { unit, digits, show: (n) => n / factor, store: (n) => n * factor }
}

export type Quantity = 'mass' | 'load' | 'body' | 'side' | 'thing' | 'volume' | 'temperature' | 'plain'

/** What a number field of this quantity shows in these units. */
export function typed(quantity: Quantity, units: Units): Typed {
  const metric = units === 'metric'
  switch (quantity) {
    case 'mass':
      return metric ? scaled('g', 1, 1) : scaled('oz', 2, GRAMS_PER_OUNCE)
    case 'load':
      return metric ? scaled('kg', 3, 1000) : scaled('lb', 2, GRAMS_PER_POUND)
    case 'body':
      return metric ? scaled('kg', 1, 1) : scaled('lb', 1, GRAMS_PER_POUND / 1000)
    case 'side':
      return metric ? scaled('cm', 1, 10) : scaled('in', 2, MM_PER_INCH)
    case 'thing':
      return metric ? scaled('mm', 1, 1) : scaled('in', 2, MM_PER_INCH)
    case 'volume':
      return metric ? scaled('l', 2, 1) : scaled('in³', 1, LITRES_PER_CUBIC_INCH)
    case 'temperature':
      return metric
        ? { unit: '°C', digits: 0, show: same, store: same }
        : { unit: '°F', digits: 0, show: (c) => (c * 9) / 5 + 32, store: (f) => ((f - 32) * 5) / 9 }
    case 'plain':
      return { unit: '', digits: 4, show: same, store: same }
  }
}
