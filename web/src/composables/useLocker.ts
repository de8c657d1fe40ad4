/** The locker, the typical table, and the verbs that change the locker. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'
import { changed, KEY, lockerQuery, queries, typicalQuery } from '@/api/queries'
import type { Thing, ThingDoc } from '@/api/types'

function keep(doc: ThingDoc): void {
  queries.setQueryData<ThingDoc[]>(KEY.locker, (old) => {
    const others = old ?? []
    return others.some((one) => one.thing.id === doc.thing.id)
      ? others.map((one) => (one.thing.id === doc.thing.id ? doc : one))
      : [...others, doc]
  })
  void changed('locker')
}

/** A thing as it is stored now, with its version; nothing when it is gone. */
export async function storedThing(id: string): Promise<ThingDoc | undefined> {
  return (await ask(client.GET('/api/locker/things'))).find((doc) => doc.thing.id === id)
}

export function useLocker() {
  const query = useQuery(lockerQuery)
  const add = useMutation({
    mutationFn: (thing: Thing) => ask(client.POST('/api/locker/things', { body: { thing } })),
    onSuccess: keep,
  })
  const addTypical = useMutation({
    mutationFn: (wish: { typical: string; count: number }) => ask(client.POST('/api/locker/from-typical', { body: wish })),
    onSuccess: keep,
  })
  const save = useMutation({
    mutationFn: (doc: { version: number; thing: Thing }) =>
      ask(client.PUT('/api/locker/things/{slug}', { params: { path: { slug: doc.thing.id } }, body: doc })),
    onSuccess: keep,
  })
  const weigh = useMutation({
    mutationFn: (wish: { id: string; version: number; mass_g: number }) =>
      ask(
        client.POST('/api/locker/things/{slug}/weigh-in', {
          params: { path: { slug: wish.id } },
          body: { version: wish.version, mass_g: wish.mass_g },
        }),
      ),
    onSuccess: keep,
  })
  const remove = useMutation({
    mutationFn: (slug: string) => ask(client.DELETE('/api/locker/things/{slug}', { params: { path: { slug } } })),
    onSuccess: (_, slug) => {
      queries.setQueryData<ThingDoc[]>(KEY.locker, (old) => old?.filter((one) => one.thing.id !== slug))
      void changed('locker')
    },
  })
  return { things: query.data, loading: query.isPending, error: query.error, add, addTypical, save, weigh, remove }
}

export function useTypical() {
  return useQuery(typicalQuery).data
}
