/** Laying things out on the mat: every thing at one scale, dense, in an order that never changes with a click. */

export interface Cell {
  id: string
  width: number
  height: number
}

export interface Laid extends Cell {
  x: number
  y: number
}

export interface Layout {
  cells: Laid[]
  height: number
}

interface Step {
  x: number
  width: number
  y: number
}

/** Lowest place along the skyline where a cell of this width fits; the leftmost among equals. */
function lowest(skyline: readonly Step[], width: number, total: number): { x: number; y: number } {
  let best = { x: 0, y: Infinity }
  for (const start of skyline) {
    if (start.x + width > total + 0.01) break
    const y = Math.max(...skyline.filter((s) => s.x < start.x + width - 0.01 && s.x + s.width > start.x + 0.01).map((s) => s.y))
    if (y < best.y - 0.01) best = { x: start.x, y }
  }
  return best
}

function raise(skyline: readonly Step[], x: number, width: number, y: number): Step[] {
  const next: Step[] = []
  for (const step of skyline) {
    const end = step.x + step.width
    if (end <= x + 0.01 || step.x >= x + width - 0.01) next.push(step)
    else {
      if (step.x < x) next.push({ ...step, width: x - step.x })
      if (end > x + width) next.push({ x: x + width, width: end - x - width, y: step.y })
    }
  }
  next.push({ x, width, y })
  return next.sort((a, b) => a.x - b.x)
}

/** Puts cells down in their order, each as high up as it goes (skyline, bottom-left turned upside down). */
export function layOut(cells: readonly Cell[], width: number): Layout {
  let skyline: Step[] = [{ x: 0, width, y: 0 }]
  const laid: Laid[] = []
  for (const cell of cells) {
    const w = Math.min(cell.width, width)
    const at = lowest(skyline, w, width)
    laid.push({ ...cell, width: w, x: at.x, y: at.y })
    skyline = raise(skyline, at.x, w, at.y + cell.height)
  }
  return { cells: laid, height: Math.max(0, ...skyline.map((s) => s.y)) }
}

/** The largest scale (pixels per millimetre) at which all fits the height; the smallest when none does. */
export function bestScale(fits: (scale: number) => boolean, smallest: number, largest: number): number {
  let low = smallest
  let high = largest
  // A large locker never fits: say so after one try, not after seven.
  if (!fits(low)) return low
  if (fits(high)) return high
  for (let i = 0; i < 7; i++) {
    const middle = (low + high) / 2
    if (fits(middle)) low = middle
    else high = middle
  }
  return low
}
