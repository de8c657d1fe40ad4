/** Findings with their ways out, as they come. */
import { queryOptions, skipToken, type QueryKey } from '@tanstack/vue-query'
import { BRIEFLY, WHOLE } from '../asking'
import { FRESH_MS, queries } from '../cache'
import { Problem } from '../problem'
import { stream } from '../stream'
import type { CureLine, Finding } from '../types'

/** Between two paintings of what comes one by one. */
const BETWEEN_MS = 150

/** What came so far of the answer about cures. whole: no more will come. */
export interface CuresFound {
  findings: readonly Finding[]
  whole: boolean
}

/** Asks for them at an address; null asks nothing. about: hears which kit they are about, and may throw. */
export function curesOf(queryKey: QueryKey, path: string | null, body: unknown, about: (stamp: string) => void = () => {}) {
  return queryOptions({
    queryKey,
    queryFn: path !== null ? ({ signal }) => oneByOne(path, body, (found) => queries.setQueryData<CuresFound>(queryKey, found), signal, about) : skipToken,
    retry: false,
    // A part of an answer is never new: whoever comes back to it after it was cut off asks for all of it.
    staleTime: ({ state }: { state: { data?: CuresFound | undefined } }) => (state.data?.whole ? FRESH_MS : 0),
    ...WHOLE,
    ...BRIEFLY,
  })
}

/** show: is handed what came so far. */
async function oneByOne(path: string, body: unknown, show: (found: CuresFound) => void, signal: AbortSignal, about: (stamp: string) => void): Promise<CuresFound> {
  let findings: readonly Finding[] = []
  let [whole, next] = [false, 0]
  await stream<CureLine>(
    path,
    body,
    ({ stamp, finding, ...last }) => {
      whole ||= last.whole ?? false
      if (stamp) about(stamp)
      if (!finding) return
      findings = [...findings, finding]
      // The first way out is shown at once; what follows so quickly is not painted one by one.
      if (!finding.cures?.length || performance.now() < next) return
      next = performance.now() + BETWEEN_MS
      show({ findings, whole: false })
    },
    signal,
  )
  if (!whole) throw new Problem(409, 'The kit has changed meanwhile.')
  return { findings, whole }
}
