/** Under way and afterwards: the list to pack by, what was noted, and what it comes to. */
import { queryOptions } from '@tanstack/vue-query'
import { aboutKit, KEPT, kitPath, read, type At, type Stamped } from '../asking'
import { KEY } from '../cache'
import { ask, client, whole } from '../client'
import type { PackOut } from '../types'

export const packOutQuery = (at: Stamped | null) => ({
  ...aboutKit('packout', at, (path, signal) => whole<PackOut>(client.GET('/api/field/{slug}/kits/{kit}/list', { params: { path }, signal }))),
  networkMode: 'always' as const,
  ...KEPT,
})
export const shoppingQuery = (at: Stamped | null) => ({
  ...aboutKit('shopping', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/shopping', { params: { path }, signal })),
  ...KEPT,
})
export const fieldQuery = (trip: string) => ({
  ...read(KEY.field(trip), (signal) => client.GET('/api/field/{slug}', { params: { path: { slug: trip } }, signal })),
  networkMode: 'always' as const,
})
/** How far Pack-out, Trail and Look back are: that hangs on what was noted, not on the plan alone. */
export const stationsQuery = (at: Stamped) =>
  queryOptions({
    queryKey: [...KEY.stationsOf(at.trip), at.kit, at.stamp],
    queryFn: ({ signal }) => ask(client.GET('/api/field/{slug}/kits/{kit}/stations', { params: { path: kitPath(at) }, signal })),
    // Of another trip they would say what is not so.
    placeholderData: (before, query) => (query?.queryKey[1] === at.trip ? before : undefined),
  })
export const lookBackQuery = (at: At) => read([...KEY.lookBacks, at] as const, (signal) => client.GET('/api/field/{slug}/kits/{kit}/look-back', { params: { path: kitPath(at) }, signal }))
