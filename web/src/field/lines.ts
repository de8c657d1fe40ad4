/** Ids of lines that can be ticked, as marks store them. The core makes those of things and tasks (mule/plan/field/lines.py, mule/trail/packout/tasks.py). */

export type Look = 'charge' | 'copy' | 'inspect' | 'gear' | 'clear'
/** The subject of a line. A later version of the app may have written it: with another sort, task or look. */
export type Line =
  | { sort: 'thing'; item: string }
  | { sort: 'fetch'; item: string }
  | { sort: 'task'; kind: string }
  | { sort: 'night'; date: string; look: string }
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
  if (night) return { sort: 'night', date: night[1]!, look: night[2]! }
  const door = /^(out|back)\.([\d-]+)\.(.+)#\d+$/.exec(line)
  if (door) return { sort: door[1] as 'out' | 'back', date: door[2]!, item: door[3]! }
  const task = /^task\.(?:fetch\.(.+)|(\w+))$/.exec(line)
  if (task) return task[1] === undefined ? { sort: 'task', kind: task[2]! } : { sort: 'fetch', item: task[1] }
  const [item, at] = line.split('@')
  return item && at ? { sort: 'thing', item } : { sort: 'other' }
}
