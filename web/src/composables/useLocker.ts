/** The locker, the typical table, and the verbs that change the locker. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'
import { changed, KEY, queries } from '@/api/cache'
import { lockerQuery, typicalQuery } from '@/api/queries/library'
import type { Thing, ThingDoc, Understood } from '@/api/types'
import { along } from './useAlong'
import { notify } from './useNotice'
import { noted, standing, type Step } from './useLockerHistory'

/** How things stand before something is done to them; a mutation gets it back when it is done. */
function stand(ids: string[]): Step['before'] {
  return standing(ids, queries.getQueryData<ThingDoc[]>(KEY.locker) ?? [])
}
function keepMany(put: ThingDoc[], remove: string[] = []): void {
  const ids = new Map(put.map((doc) => [doc.thing.id, doc]))
  queries.setQueryData<ThingDoc[]>(KEY.locker, (old) => {
    const stay = (old ?? []).filter((one) => !remove.includes(one.thing.id) || ids.has(one.thing.id))
    return [...stay.map((one) => ids.get(one.thing.id) ?? one), ...put.filter((doc) => !stay.some((one) => one.thing.id === doc.thing.id))]
  })
  void changed('locker')
}

/** A thing of one's own as it is stored now, with its version; nothing, and a word why, when it is not there. */
export async function storedThing(id: string): Promise<ThingDoc | undefined> {
  const found = along.value ? undefined : (await ask(client.GET('/api/locker/things'))).find((doc) => doc.thing.id === id)
  if (!found) notify('It is in another locker than yours: whoever it belongs to changes it there.')
  return found
}

function added(doc: ThingDoc): void {
  keepMany([doc])
  noted({ says: `${doc.thing.name} added`, before: [{ id: doc.thing.id, thing: null }] })
}
interface LockerWish {
  put: ThingDoc[]
  remove: string[]
  says?: string
}

export function useLocker() {
  const query = useQuery(lockerQuery)
  const add = useMutation({
    mutationFn: (thing: Thing) => ask(client.POST('/api/locker/things', { body: { thing } })),
    onSuccess: added,
  })
  const addTypical = useMutation({
    mutationFn: (wish: { typical: string; count: number }) => ask(client.POST('/api/locker/from-typical', { body: wish })),
    onSuccess: added,
  })
  const save = useMutation({
    mutationFn: (doc: { version: number; thing: Thing }) =>
      ask(client.PUT('/api/locker/things/{slug}', { params: { path: { slug: doc.thing.id } }, body: doc })),
    onMutate: (doc) => stand([doc.thing.id]),
    onSuccess: (doc, _, was) => {
      keepMany([doc])
      noted({ says: `${doc.thing.name} changed`, before: was })
    },
  })
  const weigh = useMutation({
    mutationFn: (wish: { id: string; version: number; mass_g: number }) =>
      ask(
        client.POST('/api/locker/things/{slug}/weigh-in', {
          params: { path: { slug: wish.id } },
          body: { version: wish.version, mass_g: wish.mass_g },
        }),
      ),
    onMutate: (wish) => stand([wish.id]),
    onSuccess: (doc, _, was) => {
      keepMany([doc])
      noted({ says: `${doc.thing.name} weighed`, before: was })
    },
  })
  const remove = useMutation({
    mutationFn: (slug: string) => ask(client.DELETE('/api/locker/things/{slug}', { params: { path: { slug } } })),
    onMutate: (slug) => stand([slug]),
    onSuccess: (_, slug, was) => {
      keepMany([], [slug])
      noted({ says: `${was[0]?.thing?.name ?? slug} removed`, before: was })
    },
  })
  /** Many at once, all or nothing. says: what it is called when it is taken back; without, it is such a taking back. */
  const change = useMutation({
    mutationFn: (wish: LockerWish) => ask(client.POST('/api/locker/changes', { body: { put: wish.put, remove: wish.remove } })),
    onMutate: (wish) => stand([...wish.remove, ...wish.put.filter((doc) => doc.version).map((doc) => doc.thing.id)]),
    onSuccess: (docs, wish, was) => {
      keepMany(docs, wish.remove)
      const fresh = docs.filter((doc) => !was.some((one) => one.id === doc.thing.id)).map((doc) => ({ id: doc.thing.id, thing: null }))
      if (wish.says) noted({ says: wish.says, before: [...was, ...fresh] })
    },
  })
  return { things: query.data, loading: query.isPending, error: query.error, add, addTypical, save, weigh, remove, change }
}

export function useTypical() {
  return useQuery(typicalQuery).data
}

/** What things a written list names. */
export function understood(text: string, picks: Record<string, string>): Promise<Understood[]> {
  return ask(client.POST('/api/locker/understand', { body: { text, picks } }))
}
