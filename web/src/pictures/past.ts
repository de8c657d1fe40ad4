/** What pictures of before say, in words and bars. */
import type { LookBack, Past } from '@/api/types'
import { many } from '@/wording/parts'

export interface AskedName {
  kind: 'body' | 'lens'
  name: string
  frames: number
}

/** Cameras and lenses by the names that nothing in the locker answers to, those of most pictures first. */
export function namesAsked(unknown: LookBack['unknown']): AskedName[] {
  const counts = new Map<string, AskedName>()
  for (const one of unknown) {
    for (const kind of ['body', 'lens'] as const) {
      const name = one[kind]
      if (!name) continue
      const key = `${kind} ${name}`
      counts.set(key, { kind, name, frames: (counts.get(key)?.frames ?? 0) + one.frames })
    }
  }
  return [...counts.values()].sort((a, b) => b.frames - a.frames)
}

/** silent: files that told nothing; done of total: how far the reading went. */
export function pastSays(past: Past, silent: number, done: number, total: number): string {
  const said = [`${many(past.frames, 'picture')} read${done < total ? ` before you stopped, of ${total.toLocaleString('en')}` : ''}.`]
  if (silent) said.push(`${many(silent, 'file')} ${silent === 1 ? 'has' : 'have'} no metadata.`)
  if (past.without_focal) said.push(`${many(past.without_focal, 'picture')} without a focal length.`)
  if (past.as_written) said.push(`${many(past.as_written, 'picture')} taken as full frame: the camera is not known here.`)
  if (past.few) said.push(`${many(past.few, 'picture')} of subjects too rare to make a shot.`)
  if (!past.wants.length) said.push('Too few of one kind to make a shot.')
  return said.join(' ')
}

export function hourBars(hours: readonly number[], width: number, height: number): { x: number; y: number; width: number; height: number }[] {
  const most = Math.max(1, ...hours)
  const step = width / hours.length
  return hours.map((n, h) => ({ x: h * step, y: height - (n / most) * height, width: step - 1, height: (n / most) * height }))
}

/** "mostly 6 to 9 h": the shortest run of hours that holds two thirds of the pictures, over midnight too. */
export function hoursSay(hours: readonly number[]): string {
  const all = hours.reduce((sum, n) => sum + n, 0)
  if (!all) return 'no times known'
  for (let length = 1; length <= hours.length; length++) {
    for (let from = 0; from < hours.length; from++) {
      let inside = 0
      for (let k = 0; k < length; k++) inside += hours[(from + k) % hours.length]!
      if (inside * 3 >= all * 2) return `mostly ${from} to ${(from + length) % 24 || 24} h`
    }
  }
  return ''
}
