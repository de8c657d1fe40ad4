/** The trade curve in pixels: grams carried to the right, share of the brief upward. */
export interface CurveScale {
  x: (grams: number) => number
  y: (score: number) => number
  xTicks: { grams: number; x: number }[]
  yTicks: { score: number; y: number }[]
}

export interface Frame {
  left: number
  right: number
  top: number
  bottom: number
}

const STEPS = [100, 200, 250, 500, 1000, 2000, 2500, 5000, 10_000]

/** Scales that hold all masses and scores with some air; the upright one starts at a round ten below the lowest. */
export function curveScale(grams: readonly number[], scores: readonly number[], frame: Frame): CurveScale {
  const low = Math.min(...grams)
  const high = Math.max(...grams)
  const air = Math.max(100, (high - low) * 0.05)
  const [from, to] = [Math.max(0, low - air), high + air]
  const floor = Math.max(0, Math.floor((Math.min(...scores) - 2) / 10) * 10)
  const x = (g: number): number => frame.left + ((frame.right - frame.left) * (g - from)) / (to - from)
  const y = (s: number): number => frame.bottom - ((frame.bottom - frame.top) * (s - floor)) / (102 - floor)
  const step = STEPS.find((s) => (frame.right - frame.left) / ((to - from) / s) >= 64) ?? 20_000
  const xTicks = []
  for (let g = Math.ceil(from / step) * step; g <= to; g += step) xTicks.push({ grams: g, x: x(g) })
  const yTicks = []
  for (let s = floor; s <= 100; s += floor >= 60 ? 10 : 20) yTicks.push({ score: s, y: y(s) })
  return { x, y, xTicks, yTicks }
}

/** The stairs through points that are sorted by mass: level until the next point, then up. */
export function stairs(points: readonly { x: number; y: number }[]): string {
  return points.map((p, i) => (i === 0 ? `M${p.x} ${p.y}` : `H${p.x}V${p.y}`)).join('')
}

export interface Span {
  from: number
  to: number
}

/** For each item, the runs of neighbouring points (by index) in whose kit it is. */
export function spans(kits: readonly ReadonlySet<string>[], item: string): Span[] {
  const found: Span[] = []
  kits.forEach((kit, index) => {
    if (!kit.has(item)) return
    const last = found.at(-1)
    if (last && last.to === index - 1) last.to = index
    else found.push({ from: index, to: index })
  })
  return found
}
