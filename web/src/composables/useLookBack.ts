/** Coming home: what the trip taught, pictures to read, and measured rates for the next plan. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { changed } from '@/api/cache'
import { lookBackQuery } from '@/api/queries/field'
import type { Rate, ReadPictures, Thing } from '@/api/types'
import { storedThing, useLocker } from './useLocker'
import { notify } from './useNotice'

/** The metadata of a picture stands in its first half megabyte; nothing else leaves this device. */
const HEAD = 512 * 1024
const AT_ONCE = 20
const WHOLE = /\.(zip|csv|tsv|json|xlsx)$/i

/** The locker's fields of a measured rate. */
function measured(thing: Thing, rate: Rate): Thing {
  if (thing.kind === 'drive') return { ...thing, speed_mb_s: rate.value }
  if (thing.kind !== 'body') return thing
  return rate.what === 'mb-per-frame' ? { ...thing, mb_per_frame: rate.value, rates_source: 'measured' } : { ...thing, frames_per_charge: rate.value, rates_source: 'measured' }
}

export function useLookBack(at: MaybeRefOrGetter<{ trip: string; kit: string }>) {
  const query = useQuery(computed(() => lookBackQuery(toValue(at))))
  const done = ref(0)
  const total = ref(0)
  const read = useMutation({
    mutationFn: async (files: File[]): Promise<ReadPictures> => {
      const slug = toValue(at).trip
      const sum: ReadPictures = { taken: 0, known: 0, odd: [] }
      done.value = 0
      total.value = files.length
      for (let from = 0; from < files.length; from += AT_ONCE) {
        const form = new FormData()
        for (const file of files.slice(from, from + AT_ONCE)) form.append('files', WHOLE.test(file.name) ? file : file.slice(0, HEAD), file.name)
        const told = await ask(client.POST('/api/field/{slug}/pictures', { params: { path: { slug } }, body: form as never, bodySerializer: () => form }))
        sum.taken += told.taken
        sum.known += told.known
        sum.odd.push(...told.odd)
        done.value = Math.min(from + AT_ONCE, files.length)
      }
      return sum
    },
    onSuccess: () => changed('pictures', { trip: toValue(at).trip }),
    onError: notify,
  })
  const { save } = useLocker()
  const apply = useMutation({
    mutationFn: async (rate: Rate) => {
      const doc = await storedThing(rate.item)
      if (doc) await save.mutateAsync({ version: doc.version, thing: measured(doc.thing, rate) })
    },
    onError: notify,
  })
  return { back: query.data, problem: query.error, read, apply, done, total }
}
