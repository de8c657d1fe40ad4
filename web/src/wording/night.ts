/** The list of a night in words: what is to be charged, copied and looked over. Pure. */
import type { Night } from '@/api/types'
import type { Card, Pack } from '@/field/boards'
import { nightLine } from '@/field/lines'
import { many } from './parts'
import { hours } from './stamina'

export interface NightTask {
  line: string
  head: string
  body: string
}

function sockets(night: Night | null, mains: boolean): string {
  if (night) return night.mains_h ? `${hours(night.mains_h)} of ${many(night.outlets ?? 1, 'outlet')}` : night.car_h ? `${hours(night.car_h)} in the car` : 'no mains tonight'
  return mains ? '8 h of 2 outlets (usual)' : 'no mains here'
}
function counted(things: readonly { name: string }[]): string {
  const by = new Map<string, number>()
  for (const t of things) by.set(t.name, (by.get(t.name) ?? 0) + 1)
  return [...by].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)).join(', ')
}

export function nightTasks(date: string, now: { packs: Pack[]; cards: Card[]; copies: number; night: Night | null; mains: boolean }): NightTask[] {
  const empty = now.packs.filter((p) => p.state === 'spent' || p.state === 'charging')
  const short = now.cards.filter((c) => c.state !== 'blank' && c.copies < now.copies)
  return [
    { line: nightLine(date, 'charge'), head: empty.length ? `Charge ${counted(empty)}` : 'Charge: no battery is spent', body: sockets(now.night, now.mains) },
    { line: nightLine(date, 'copy'), head: short.length ? `Copy ${counted(short)}` : 'Copies: enough for every card', body: short.length ? `until each is in ${many(now.copies, 'place')}` : '' },
    { line: nightLine(date, 'inspect'), head: 'Check the pictures', body: 'focus, sensor spots, anything to shoot again' },
    { line: nightLine(date, 'gear'), head: 'Check the gear', body: 'wet, salt, sand; screws, mounts, straps; dry and close bags' },
    { line: nightLine(date, 'clear'), head: 'Ready for the morning', body: 'batteries warm, blank cards in, tomorrow’s bag packed' },
  ]
}
