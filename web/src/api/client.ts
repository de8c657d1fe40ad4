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

/** Whose answers this page holds; the server does nothing for it when another account has signed in meanwhile. */
let account: string | null = null
/** What happens then: nothing of the one stays on the screen of the other. */
let startAnew: () => void = () => undefined

export function onOtherAccount(act: () => void): void {
  startAnew = act
}
/** From here on the page speaks for this account, because somebody signed in or out on it. */
export function speakFor(id: string | null): void {
  account = id
}
/** What the server says of who is signed in; another than the page speaks for begins the page anew. */
export function heardOf(id: string | null): void {
  if (account !== null && id !== account) startAnew()
  else account = id
}
/** The link through which the page speaks, while a guest is on it; about this trip only, where it names one. */
let link: { number: string; trip?: string } | null = null
export function speakThrough(opened: string | null, trip?: string): void {
  link = opened === null ? null : { number: opened, ...(trip !== undefined && { trip }) }
}
/** The headers of a request. Whoever plans along speaks through the link about that trip, and for themselves otherwise. */
export function ownHeaders(url = ''): Record<string, string> {
  // The session says which account is signed in, whatever the page believes. Asked in the same way on every visit, the
  // kept answer is found again without a network.
  if (new URL(url, 'http://here').pathname === '/api/session') return { 'X-CSRFToken': cookie('csrftoken') }
  const through = link && (link.trip === undefined || new RegExp(`/api/(trips|field)/${link.trip}(/|$|\\?)`).test(url))
  return { 'X-CSRFToken': cookie('csrftoken'), ...(through ? { 'X-Share': link!.number } : account && { 'X-Account': account }) }
}
export function noticeOther(response: Response): void {
  if (response.headers.get('X-Other-Account')) startAnew()
}

client.use({
  onRequest({ request }) {
    const { 'X-CSRFToken': token, ...others } = ownHeaders(request.url)
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', token ?? '')
    for (const [name, value] of Object.entries(others)) request.headers.set(name, value)
    return request
  },
  onResponse({ response }) {
    noticeOther(response)
    return response
  },
})

/** An answer as the schema has it: the client reads lists of a fixed length, as sides of a box, as lists of any. */
export function whole<T>(answer: Promise<Answer<unknown>>): Promise<Answer<T>> {
  return answer as Promise<Answer<T>>
}
/** A form with a file in it, as the typed client sends one: it reads forms as values. */
export function upload(file: File, fields: Record<string, string> = {}): { body: never; bodySerializer: () => FormData } {
  const form = new FormData()
  form.append('file', file, file.name)
  for (const [name, value] of Object.entries(fields)) form.append(name, value)
  return { body: form as never, bodySerializer: () => form }
}

export interface Answer<T> {
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
