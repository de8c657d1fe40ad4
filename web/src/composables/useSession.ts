/** Who is signed in, and the two preferences that every screen needs. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { useTheme } from 'vuetify'
import { ask, client } from '@/api/client'
import { KEY, queries, sessionQuery } from '@/api/queries'
import type { Session, Theme, Units } from '@/api/types'

/** Remembered on this device, so that the first paint is already in the right light. */
const THEME_KEY = 'narrow-mule-theme'

export function fetchSession(): Promise<Session> {
  return queries.fetchQuery(sessionQuery)
}

function keep(session: Session): void {
  const before = queries.getQueryData<Session>(KEY.session)
  if (before?.name !== session.name) {
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
    mutationFn: (wish: { units: Units; theme: Theme }) => ask(client.PUT('/api/session/preferences', { body: wish })),
    onSuccess: keep,
  })
  return { session: data, enter, demo, leave, prefer }
}

/** Units in force; metric until the session is known. */
export function useUnits() {
  const { data } = useQuery(sessionQuery)
  return computed<Units>(() => data.value?.units ?? 'metric')
}

/** Puts the theme in force onto the page; called once, by the app. */
export function useThemeInForce(): void {
  const { session } = useSession()
  const theme = useTheme()
  watch(
    () => session.value?.name ? session.value.theme : (localStorage.getItem(THEME_KEY) as Theme | null),
    (wanted) => {
      const name = wanted === 'night' || wanted === 'red' ? wanted : 'day'
      document.documentElement.dataset.theme = name
      theme.change(name)
      localStorage.setItem(THEME_KEY, name)
    },
    { immediate: true },
  )
}
