/** What pictures call the things of the locker. */
import { useMutation } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Kind } from '@/api/types'
import { storedThing, useLocker } from './useLocker'
import { notify } from './useNotice'

export function useCalled() {
  const { things, save } = useLocker()
  const named = (kind: Kind) => (things.value ?? []).filter((doc) => doc.thing.kind === kind).map((doc) => ({ title: doc.thing.name, value: doc.thing.id }))
  const own = computed(() => ({ body: named('body'), lens: named('lens') }))
  /** From now on the thing answers to that name too. */
  const call = useMutation({
    mutationFn: async (wish: { item: string; name: string }) => {
      const doc = await storedThing(wish.item)
      if (doc?.thing.kind !== 'body' && doc?.thing.kind !== 'lens') return
      await save.mutateAsync({ version: doc.version, thing: { ...doc.thing, also: [...(doc.thing.also ?? []).filter((n) => n !== wish.name), wish.name] } })
    },
    onError: notify,
  })
  return { own, call }
}
