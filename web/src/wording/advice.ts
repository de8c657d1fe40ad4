/** Facts and cures put together: each finding with its ways out as far as they are known, and whether they are of now. */
import type { Cure, Finding, FindingCode } from '@/api/types'

/** found: of what is shown now, as far as they have come. before: all of the kit before the last click. whole: whether no more will come. failed: they do not come. */
export interface ToldCures {
  found: readonly Finding[]
  before: readonly Finding[]
  whole: boolean
  failed?: boolean
}

/** now: these are the cures. before: of the kit before the last click. looking: they are on their way. failed: they do not come. */
export type Standing = 'now' | 'before' | 'looking' | 'failed'
export interface Advised {
  finding: Finding
  cures: Cure[]
  standing: Standing
}

/** What only other kits show: the facts do not speak of it. */
const OF_OTHER_KITS: readonly FindingCode[] = ['single-point', 'lost-bag', 'pictures-in-one-bag', 'chain']
export const SEVERITIES = ['blocker', 'caution', 'note'] as const

/** What is not about the thing itself: how grave it is, where it stands, and what could be done. */
const BESIDE = new Set(['severity', 'stations', 'cures', 'why'])
function about(finding: Finding, counts: boolean): string {
  return JSON.stringify(Object.entries(finding).filter(([key, value]) => !BESIDE.has(key) && (counts || typeof value !== 'number')))
}
/** Equal for the same finding before and after a click, whatever its figures. */
export function findingKey(finding: Finding): string {
  return about(finding, false)
}
/** Equal for the same finding with the same figures. */
function exactly(finding: Finding): string {
  return about(finding, true)
}

export function advised(facts: readonly Finding[], { found, before, whole, failed }: ToldCures): Advised[] {
  const now = (finding: Finding): Advised => ({ finding, cures: finding.cures ?? [], standing: 'now' })
  const known = new Map(found.map((finding) => [exactly(finding), finding]))
  const last = new Map(before.map((finding) => [findingKey(finding), finding]))
  const told = facts.map((finding): Advised => {
    const tried = known.get(exactly(finding))
    if (tried) return now(tried)
    if (failed && finding.severity !== 'note') return { finding, cures: [], standing: 'failed' }
    // A note that nobody found a way out of before is no reason to say that one is looked for.
    const was = last.get(findingKey(finding))
    if (was?.cures?.length) return { finding, cures: was.cures, standing: 'before' }
    return { finding, cures: [], standing: whole || finding.severity === 'note' ? 'now' : 'looking' }
  })
  const others = (list: readonly Finding[]) => list.filter((finding) => OF_OTHER_KITS.includes(finding.code))
  const rest = whole ? others(found).map(now) : others(before).map((finding): Advised => ({ ...now(finding), standing: 'before' }))
  return [...told, ...rest].sort((a, b) => SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity))
}
