/** The typed client. Components never call it: composables do. */
import createClient from 'openapi-fetch'
import { Problem } from './problem'
import type { components, paths } from './schema.gen'

type ProblemDetail = components['schemas']['ProblemDetail']

/** A cookie by name; empty when there is none. */
export function cookie(name: string): string {
  const found = document.cookie.split('; ').find((pair) => pair.startsWith(`${name}=`))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

export const client = createClient<paths>({ baseUrl: '' })

client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', cookie('csrftoken'))
    return request
  },
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}


/** The Problem that an answer of this status tells in its body. */
export function problemIn(status: number, said: unknown): Problem {
  const body = (typeof said === 'object' && said !== null ? said : {}) as Partial<ProblemDetail>
  return new Problem(status, body.title ?? 'The server could not do this.', body.errors ?? [], body.current)
}

/** The data of an answer; throws a Problem for every other answer. */
export async function ask<T>(call: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await call
  if (response.ok) return data as T
  throw problemIn(response.status, error)
}
