/** A server that is not there: what the client's verbs answer, one promise per question. */
import { vi } from 'vitest'
import { client } from '@/api/client'

type Verb = 'GET' | 'POST' | 'PUT' | 'DELETE'
interface Asked {
  params: { path: Record<string, string> }
  body: unknown
  signal?: AbortSignal
}
/** What a question is answered with: data, or an error with its status. */
export type Told = { data: unknown } | { error: unknown; status: number }

/** Answers all questions of a verb by path and what was asked; those that were asked are to be looked at. */
export function answering(verb: Verb, tell: (path: string, asked: Asked) => Told | Promise<Told>) {
  const answer = async (path: string, asked: Asked) => {
    const told = await tell(path, asked)
    return 'data' in told ? { data: told.data, response: new Response('{}') } : { error: told.error, response: new Response('', { status: told.status }) }
  }
  // Of each verb the client has a type per path: none of them is one of a stand-in for all.
  const spy = vi.spyOn<{ [verb in Verb]: (path: string, asked: Asked) => Promise<unknown> }, Verb>(client as never, verb)
  return spy.mockReset().mockImplementation(answer)
}
