/** Queries: one factory for plain reads, one for answers about a kit. Leaving a screen cancels its requests. */
import { queryOptions, skipToken, type QueryKey } from '@tanstack/vue-query'
import { ask, type Answer } from './client'

/** A kit of a trip. */
export interface At {
  trip: string
  kit: string
}
/** A kit as it was when an answer was given about it: the stamp is another one after every change that matters. */
export interface Stamped extends At {
  stamp: string
}
/** A kit as addresses name it. */
export interface KitPath {
  slug: string
  kit: string
}
export const kitPath = ({ trip, kit }: At): KitPath => ({ slug: trip, kit })

// Answers replace each other whole: comparing or proxying hundreds of things on every click is time lost.
export const WHOLE = { structuralSharing: false, shallow: true } as const
export const FOR_GOOD = { staleTime: Infinity } as const
/** An answer of a minute ago is asked for again, but not kept for long. */
export const BRIEFLY = { gcTime: 60_000 } as const
/** Never stale, and kept for five minutes after the last screen that showed it. */
export const KEPT = { ...FOR_GOOD, gcTime: 300_000 } as const

/** A plain read. */
export function read<T, K extends QueryKey>(queryKey: K, get: (signal: AbortSignal) => Promise<Answer<T>>) {
  return queryOptions({ queryKey, queryFn: ({ signal }) => ask(get(signal)) })
}

/** What is shown until an answer arrives: an earlier answer about the same kit, about the same kit and question, or nothing. */
type StandIn = 'same kit' | 'same question' | 'none'

/** The earlier answer, if it is about the same kit and, where `asked` is given, answers the same question. */
export function standIn(at: At | null, asked: readonly unknown[] | null = null) {
  return <T>(before: T | undefined, query?: { queryKey: QueryKey }): T | undefined => {
    const [, last, ...was] = (query?.queryKey ?? []) as [string?, (At | null)?, ...unknown[]]
    const ofKit = at && last && last.trip === at.trip && last.kit === at.kit
    return ofKit && (asked === null || JSON.stringify(was) === JSON.stringify(asked)) ? before : undefined
  }
}

/**
 * An answer about a kit as it stands; another stamp makes another query.
 * name: the key's first word. asked: the rest of the question; nothing is fetched while a part of it is undefined or ''.
 */
export function aboutKit<T>(name: string, at: Stamped | null, get: (path: KitPath, signal: AbortSignal) => Promise<Answer<T>>, asked: readonly unknown[] = [], keep: StandIn = 'same kit') {
  const ready = asked.every((one) => one !== undefined && one !== '')
  return queryOptions({
    queryKey: [name, at, ...asked] as const,
    queryFn: at && ready ? ({ signal }) => ask(get(kitPath(at), signal)) : skipToken,
    placeholderData: keep === 'none' ? undefined : standIn(at, keep === 'same question' ? asked : null),
    ...WHOLE,
    ...BRIEFLY,
  })
}
