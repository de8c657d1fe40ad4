/** Who is signed in, and the two preferences that every screen needs. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { ask, client, onOtherAccount, speakFor } from '@/api/client'
import { KEY, queries } from '@/api/cache'
import { sessionQuery, signInsQuery } from '@/api/queries/account'
import type { Session, Theme, Units } from '@/api/types'
import { forgetSteps } from './useLockerHistory'

/** Remembered on this device, so that the first paint is already in the right light. */
const THEME_KEY = 'narrow-mule-theme'
const PREFER = ['preferences']

export function fetchSession(): Promise<Session> {
  return queries.fetchQuery({ ...sessionQuery, retry: false })
}

onOtherAccount(() => {
  // The outbox stays: it knows whose marks it holds.
  const done = () => location.reload()
  if ('caches' in globalThis) void caches.delete('answers').finally(done)
  else done()
})

function keep(session: Session): void {
  speakFor(session.account)
  const before = queries.getQueryData<Session>(KEY.session)
  if (before?.name !== session.name) {
    forgetSteps()
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY.session[0] })
    // What was kept for when there is no network was somebody else's.
    if (before && 'caches' in globalThis) void caches.delete('answers')
  }
  queries.setQueryData<Session>(KEY.session, session)
}

export function useSession() {
  const { data } = useQuery(sessionQuery)
  const enter = useMutation({
    mutationFn: (way: { path: '/api/session/sign-in' | '/api/session/sign-up'; name: string; password: string }) =>
      ask(client.POST(way.path, { body: { name: way.name, password: way.password } })),
    onSuccess: keep,
  })
  const demo = useMutation({ mutationFn: () => ask(client.POST('/api/session/demo')), onSuccess: keep })
  const leave = useMutation({ mutationFn: () => ask(client.POST('/api/session/sign-out')), onSuccess: keep })
  const prefer = useMutation({
    mutationKey: PREFER,
    // One after the other, and seen at once: two quick choices never answer for each other.
    scope: { id: 'preferences' },
    mutationFn: (wish: { units: Units; theme: Theme }) => ask(client.PUT('/api/session/preferences', { body: wish })),
    onMutate: (wish) => {
      const before = queries.getQueryData<Session>(KEY.session)
      queries.setQueryData<Session>(KEY.session, (session) => session && { ...session, ...wish })
      return before
    },
    onError: (_error, _wish, before) => before && queries.setQueryData<Session>(KEY.session, before),
    onSuccess: (session) => {
      if (queries.isMutating({ mutationKey: PREFER }) === 1) keep(session)
    },
  })
  return { session: data, enter, demo, leave, prefer }
}

/** What one does with an account of one's own. */
export function useAccount() {
  const password = useMutation({ mutationFn: (body: { old: string; new: string }) => ask(client.POST('/api/session/password', { body })), onSuccess: keep })
  const everywhere = useMutation({ mutationFn: () => ask(client.POST('/api/session/sign-out-everywhere')), onSuccess: keep })
  const remove = useMutation({ mutationFn: (name: string) => ask(client.POST('/api/session/delete', { body: { name } })), onSuccess: keep })
  const email = useMutation({ mutationFn: (to: string) => ask(client.PUT('/api/session/email', { body: { email: to } })), onSuccess: keep })
  const signIns = useQuery(signInsQuery)
  const end = useMutation({
    mutationFn: (number: number) => ask(client.DELETE('/api/session/sign-ins/{number}', { params: { path: { number } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: KEY.signIns }),
  })
  return { password, everywhere, remove, email, signIns: signIns.data, end }
}

/** Forgotten passwords: a letter with a link, and what the link does. */
export function useForgotten() {
  const letter = useMutation({ mutationFn: (who: string) => ask(client.POST('/api/session/forgotten', { body: { who } })) })
  const reset = useMutation({ mutationFn: (body: { link: string; password: string }) => ask(client.POST('/api/session/reset', { body })), onSuccess: keep })
  return { letter, reset }
}

/** Units in force; metric until the session is known. */
export function useUnits() {
  const { data } = useQuery(sessionQuery)
  return computed<Units>(() => data.value?.units ?? 'metric')
}

/** Puts the theme in force onto the page; called once, by the app. */
export function useThemeInForce(): void {
  const { session } = useSession()
  watch(
    () => session.value?.name ? session.value.theme : (localStorage.getItem(THEME_KEY) as Theme | null),
    (wanted) => {
      const name = wanted === 'night' || wanted === 'red' ? wanted : 'day'
      document.documentElement.dataset.theme = name
      localStorage.setItem(THEME_KEY, name)
    },
    { immediate: true },
  )
}
