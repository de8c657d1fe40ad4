/** Facts and advice put together: each finding with its cures as far as they are known, and whether they are of now. */
import type { Cure, Finding, FindingCode } from '@/api/types'
import type { Told } from '@/composables/useAdvice'

/** now: these are the cures. before: of the kit before the last click. looking: they are on their way. */
export type Standing = 'now' | 'before' | 'looking'
export interface Advised {
  finding: Finding
  cures: Cure[]
  standing: Standing
}

/** What only other kits show: the facts do not speak of it. */
const OF_OTHER_KITS: readonly FindingCode[] = ['single-point', 'pictures-in-one-bag', 'chain']
const SEVERITIES = ['blocker', 'caution', 'note']

/** Equal for the same finding before and after a click, whatever its figures. */
export function findingKey({ code, refs, items }: Finding): string {
  return [code, JSON.stringify(refs), ...(items ?? [])].join(' ')
}

export function advised(facts: readonly Finding[], { advice, stands }: Told): Advised[] {
  if (advice && stands) return advice.findings.map((finding) => ({ finding, cures: finding.cures ?? [], standing: 'now' }))
  const before = new Map(advice?.findings.map((finding) => [findingKey(finding), finding]))
  const known = facts.map((finding): Advised => {
    const last = before.get(findingKey(finding))
    if (!finding.curable) return { finding, cures: [], standing: 'now' }
    return last?.cures?.length ? { finding, cures: last.cures, standing: 'before' } : { finding, cures: [], standing: 'looking' }
  })
  const others = (advice?.findings ?? []).filter((finding) => OF_OTHER_KITS.includes(finding.code))
  const all = [...known, ...others.map((finding): Advised => ({ finding, cures: finding.cures ?? [], standing: 'before' }))]
  return all.sort((a, b) => SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity))
}
