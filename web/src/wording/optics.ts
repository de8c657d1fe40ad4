/** Set-ups and reach in words. */
import type { SetUpName, WantCover } from '@/api/types'
import * as fmt from '@/format/units'

type Run = WantCover['runs'][number]

/** "24–70 f/2.8 on Corrie C1, 1.5× crop". */
export function setUp(made: SetUpName, thing: (id: string) => string): string {
  const parts = [made.lens ? `${thing(made.lens)} on ${thing(made.body)}` : thing(made.body)]
  if (made.converter) parts.push(`with ${thing(made.converter)}`)
  if (made.adapter) parts.push(`through ${thing(made.adapter)}`)
  if ((made.crop ?? 1) > 1) parts.push(`${Number((made.crop ?? 1).toFixed(2))}× crop`)
  return parts.join(', ')
}

const HOW: Record<Run['how'], string> = {
  native: 'as it is',
  'crop-mode': 'in crop mode',
  'crop-in-post': 'cropped afterwards',
  stitch: 'stitched',
  none: 'not at all',
}

/** How a stretch of a want is served, and what holds it back. */
export function how(run: Run): string {
  const lost: string[] = []
  if (run.light < 0.995) lost.push(`light ${fmt.percent(run.light)}`)
  if (run.pixels < 0.995) lost.push(`pixels ${fmt.percent(run.pixels)}`)
  if (run.traits < 0.995) lost.push(`traits ${fmt.percent(run.traits)}`)
  return HOW[run.how] + (lost.length ? `; ${lost.join(', ')}` : '')
}
