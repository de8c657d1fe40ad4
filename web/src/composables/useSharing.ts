/** Links that open a trip to others, for its owner; and a link that was opened here, for its guest. */
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client, speakThrough } from '@/api/client'
import { KEY, queries } from '@/api/cache'
import { linksQuery } from '@/api/queries/trips'
import type { NewLink, Opened } from '@/api/types'

export function useLinks(trip: MaybeRefOrGetter<string>) {
  const refresh = () => queries.invalidateQueries({ queryKey: KEY.links })
  const query = useQuery(computed(() => linksQuery(toValue(trip))))
  const make = useMutation({
    mutationFn: (wish: NewLink) => ask(client.POST('/api/sharing/{slug}/links', { params: { path: { slug: toValue(trip) } }, body: wish })),
    onSuccess: refresh,
  })
  const takeBack = useMutation({
    mutationFn: (number: number) => ask(client.DELETE('/api/sharing/{slug}/links/{number}', { params: { path: { slug: toValue(trip), number } } })),
    onSuccess: refresh,
  })
  return { links: query.data, make, takeBack }
}

/** Links opened on this device, by their secret: they open without a network, too. */
const OPENED = 'narrow-mule-opened'

export function openedBefore(secret: string): Opened | null {
  return (JSON.parse(localStorage.getItem(OPENED) ?? '{}') as Record<string, Opened>)[secret] ?? null
}
export async function openLink(secret: string, name: string): Promise<Opened> {
  // The first answer brings the token that every change needs.
  await ask(client.GET('/api/session'))
  const opened = await ask(client.POST('/api/sharing/open', { body: { secret, name } }))
  localStorage.setItem(OPENED, JSON.stringify({ ...(JSON.parse(localStorage.getItem(OPENED) ?? '{}') as object), [secret]: opened }))
  return opened
}

/** The page speaks through a link, or for its own account again; what the one was told is not shown to the other. */
export function actThrough(opened: Opened | null): void {
  queries.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY.session[0] })
  speakThrough(opened ? String(opened.link) : null, opened?.role === 'plan' ? opened.trip : undefined)
}
