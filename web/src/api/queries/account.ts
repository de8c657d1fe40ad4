/** Who is signed in, and what strangers see of the app. */
import { keepPreviousData, queryOptions } from '@tanstack/vue-query'
import { FOR_GOOD, read, WHOLE } from '../asking'
import { KEY } from '../cache'
import { ask, client, heardOf } from '../client'

export const sessionQuery = queryOptions({
  queryKey: KEY.session,
  queryFn: async ({ signal }) => {
    const session = await ask(client.GET('/api/session', { signal }))
    heardOf(session.account)
    return session
  },
  ...FOR_GOOD,
})
export const signInsQuery = read(KEY.signIns, (signal) => client.GET('/api/session/sign-ins', { signal }))
/** loaded: ids; null as it is laid out at first. */
export const windowQuery = (loaded: string[] | null) =>
  queryOptions({
    ...read([...KEY.window, loaded] as const, (signal) => client.GET('/api/window', { params: { query: loaded ? { loaded: loaded.join(',') } : {} }, signal })),
    placeholderData: keepPreviousData,
    ...FOR_GOOD,
    ...WHOLE,
  })
