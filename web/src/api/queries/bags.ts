/** Who carries what, and which thing more covers most. */
import { aboutKit, type Stamped } from '../asking'
import { client } from '../client'
import type { Edit } from '../types'

/** The sharing that loads the most loaded least. It is searched for, so it is fetched when asked for. */
export const splitQuery = (at: Stamped | null) => aboutKit('split', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/split', { params: { path }, signal }), [], 'none')
/** Which one thing more covers most. */
export const sparesQuery = (at: Stamped | null) => aboutKit('spares', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/spares', { params: { path }, signal }))
/** What some moves of a kit come to. */
export const movesQuery = (at: Stamped | null, edits: Edit[]) =>
  aboutKit('moves', at, (path, signal) => client.POST('/api/trips/{slug}/kits/{kit}/split/so', { params: { path }, body: { edits }, signal }), [edits.length ? edits : undefined])
