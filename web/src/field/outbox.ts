/** Marks that wait on this device until the server has them: in IndexedDB, so that a reload or a flat phone loses nothing. */
import { openDB, type IDBPDatabase } from 'idb'
import type { Mark, Refusal, What } from '@/api/types'
import { cloneFnJSON } from '@vueuse/core'

export interface Waiting {
  order?: number
  /** Whose marks they are, so that nobody sends another's. */
  who: string
  trip: string
  mark: Mark
  /** Why the server would not have it; it stays here to be read, and is not sent again. */
  refused?: string
}

let opened: Promise<IDBPDatabase> | undefined
function db(): Promise<IDBPDatabase> {
  opened ??= openDB('narrow-mule', 1, {
    upgrade(made) {
      made.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
      made.createObjectStore('device')
    },
  })
  return opened
}

/** Puts a mark into the outbox. The device's name and its count are taken in the same breath, so no two marks share them. */
export async function put(who: string, trip: string, what: What, after: string[]): Promise<Waiting> {
  const doing = (await db()).transaction(['outbox', 'device'], 'readwrite')
  const device = doing.objectStore('device')
  const name = ((await device.get('name')) as string | undefined) ?? `device-${crypto.randomUUID().slice(0, 8)}`
  const seq = (((await device.get('seq')) as number | undefined) ?? 0) + 1
  await device.put(name, 'name')
  await device.put(seq, 'seq')
  const mark: Mark = { id: crypto.randomUUID(), device: name, seq, at: new Date().toISOString(), after, what: cloneFnJSON(what) }
  const made: Waiting = { who, trip, mark }
  made.order = Number(await doing.objectStore('outbox').add(made))
  await doing.done
  return made
}

export async function waiting(who: string, trip: string): Promise<Waiting[]> {
  const all = (await (await db()).getAll('outbox')) as Waiting[]
  return all.filter((one) => one.who === who && one.trip === trip)
}

/** What the server has goes; what it refused stays with its reason. */
export async function settle(sent: readonly Waiting[], taken: readonly string[], refused: readonly Refusal[]): Promise<void> {
  const doing = (await db()).transaction('outbox', 'readwrite')
  for (const one of sent) {
    const no = refused.find((r) => r.id === one.mark.id)
    if (taken.includes(one.mark.id)) await doing.store.delete(one.order!)
    else if (no) await doing.store.put({ ...one, refused: `${no.field}: ${no.rule}` })
  }
  await doing.done
}

export async function drop(one: Waiting): Promise<void> {
  await (await db()).delete('outbox', one.order!)
}
