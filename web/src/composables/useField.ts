/** What is noted on a trip: the server's marks and those that wait here. Works without a network; sends when there is one. */
import { useQuery } from '@tanstack/vue-query'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { Problem } from '@/api/problem'
import { changed, keepMade, KEY } from '@/api/cache'
import { fieldQuery } from '@/api/queries/field'
import type { FieldOut, What } from '@/api/types'
import { drop, put, settle, waiting, type Waiting } from '@/field/outbox'
import { replaced, standing, type Standing } from '@/field/subjects'
import { along } from './useAlong'
import { notify } from './useNotice'
import { useSession } from './useSession'

/** Seconds between tries while something waits. */
const EVERY_S = 15
const AT_ONCE = 200

/** as: who notes, when it is not whoever is signed in; empty for somebody who only looks. */
export function useField(trip: MaybeRefOrGetter<string>, as?: MaybeRefOrGetter<string>) {
  const { session } = useSession()
  // A trip of another may have the name of one's own: what waits for the one is never sent to the other.
  const own = computed(() => (along.value?.trip === toValue(trip) ? `link ${along.value.link} ${along.value.name}` : (session.value?.name ?? '')))
  const who = computed(() => (as === undefined ? own.value : toValue(as)))
  const query = useQuery(computed(() => ({ ...fieldQuery(toValue(trip)), enabled: toValue(trip) !== '' })))
  const outbox = shallowRef<Waiting[]>([])
  const away = ref(!navigator.onLine)
  const stands = computed(() => standing(query.data.value, outbox.value.filter((w) => !w.refused).map((w) => w.mark)))
  const refused = computed(() => outbox.value.filter((w) => w.refused))
  const toSend = computed(() => outbox.value.filter((w) => !w.refused).length)

  async function look(): Promise<void> {
    outbox.value = who.value ? await waiting(who.value, toValue(trip)) : []
  }
  // One after the other: each mark must know those before it.
  let doing: Promise<unknown> = Promise.resolve()
  function mark(wish: What | ((stands: Standing) => What)): Promise<void> {
    const next = doing.then(async () => {
      const what = typeof wish === 'function' ? wish(stands.value) : wish
      await put(who.value, toValue(trip), what, replaced(stands.value, what))
      await look()
    })
    doing = next.catch(notify)
    void next.then(send)
    return next
  }
  let sending = false
  async function send(): Promise<void> {
    if (sending || !who.value) return
    sending = true
    const slug = toValue(trip)
    let [sent, weighed] = [false, false]
    try {
      for (let batch = await next(slug); batch.length; batch = await next(slug)) {
        sent = true
        weighed ||= batch.some((w) => w.mark.what.do === 'weighed')
        const told = await ask(client.POST('/api/field/{slug}/marks', { params: { path: { slug } }, body: { marks: batch.map((w) => w.mark as unknown as Record<string, never>) } }))
        await settle(batch, told.taken, told.refused)
        keepMade<FieldOut>(KEY.field(slug), () => told.field)
        await look()
      }
      away.value = false
      if (sent) void changed('noted', { trip: slug })
      if (weighed) void changed('weighed', { trip: slug })
    } catch (error) {
      // Without a network they wait; an answer that is no network's fault is shown by what stays in the outbox.
      away.value = !(error instanceof Problem)
    } finally {
      sending = false
    }
  }
  async function next(slug: string): Promise<Waiting[]> {
    return (await waiting(who.value, slug)).filter((w) => !w.refused).slice(0, AT_ONCE)
  }
  async function forget(one: Waiting): Promise<void> {
    await drop(one)
    await look()
  }
  function online(): void {
    away.value = false
    void send().then(() => query.refetch())
  }
  function offline(): void {
    away.value = true
  }
  useEventListener(window, 'online', online)
  useEventListener(window, 'offline', offline)
  useIntervalFn(() => toSend.value && void send(), EVERY_S * 1000)
  watch([who, () => toValue(trip)], () => void look().then(send), { immediate: true })
  return { stands, mark, toSend, refused, away, forget, query }
}
