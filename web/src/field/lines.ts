/** Names of the lines that can be ticked, as marks keep them: made and read here alone. The core makes those of things and tasks (mule/plan/field/lines.py, mule/trail/packout/tasks.py). */
import type { Task } from '@/api/types'

export type Look = 'charge' | 'copy' | 'inspect' | 'gear' | 'clear'
/** What a line is about. "other": made by a version of the app that knows more sorts of lines. */
export type Line =
  | { sort: 'thing'; item: string }
  | { sort: 'fetch'; item: string }
  | { sort: 'task'; kind: Exclude<Task['kind'], 'fetch'> }
  | { sort: 'night'; date: string; look: Look }
  | { sort: 'out' | 'back'; date: string; item: string }
  | { sort: 'other' }

export function nightLine(date: string, look: Look): string {
  return `night:${date}:${look}`
}
/** count: the same thing at two places has two lines. */
export function doorLine(when: 'out' | 'back', date: string, item: string, count: number): string {
  return `${when}.${date}.${item}#${count}`
}
export function readLine(line: string): Line {
  const night = /^night:([\d-]+):(\w+)$/.exec(line)
  if (night) return { sort: 'night', date: night[1]!, look: night[2] as Look }
  const door = /^(out|back)\.([\d-]+)\.(.+)#\d+$/.exec(line)
  if (door) return { sort: door[1] as 'out' | 'back', date: door[2]!, item: door[3]! }
  const task = /^task\.(?:fetch\.(.+)|(\w+))$/.exec(line)
  if (task) return task[1] === undefined ? { sort: 'task', kind: task[2] as Exclude<Task['kind'], 'fetch'> } : { sort: 'fetch', item: task[1] }
  const [item, at] = line.split('@')
  return item && at ? { sort: 'thing', item } : { sort: 'other' }
}
