/** Answers that come line by line: JSON per line, an empty line now and then to notice when nobody listens. */
import { noticeOther, ownHeaders, problemIn } from './client'

/** Cuts a growing text into whole lines; keeps the rest for later. */
export function lineCutter(): (chunk: string) => string[] {
  let rest = ''
  return (chunk) => {
    const parts = (rest + chunk).split('\n')
    rest = parts.pop() ?? ''
    return parts.filter((part) => part.trim() !== '')
  }
}

/** Calls `take` with each line of a POST's answer. Aborting hangs up, which stops the work on the server. */
export async function stream<T>(path: string, body: unknown, take: (line: T) => void, signal: AbortSignal): Promise<void> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...ownHeaders(path) },
    body: JSON.stringify(body),
    signal,
  })
  noticeOther(response)
  if (!response.ok || !response.body) throw problemIn(response.status, await response.json().catch(() => null))
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  const cut = lineCutter()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    for (const line of cut(value)) take(JSON.parse(line) as T)
  }
}
