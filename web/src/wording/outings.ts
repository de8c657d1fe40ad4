/** The day's bag in words, pure. */
import type { AtBase, ByDays, Day, DayBag, Loadout, ProposedOuting, Units, WantDays } from '@/api/types'
import type { Names } from './names'
import { day as dayName } from '@/format/dates'
import * as fmt from '@/format/units'
import { isBuiltIn, listed } from './parts'

type Way = ProposedOuting['way']
export const WAY: Record<Way, string> = { any: 'The lightest', 'one-zoom': 'One zoom', 'two-bodies': 'Two bodies', 'hand-held': 'No tripod' }

/** "2 of 3 wants out there". */
export function outThere(day: Pick<DayBag, 'wants'>): string {
  const there = day.wants.filter((w) => w.there).length
  if (!day.wants.length) return 'no shots planned'
  if (there === day.wants.length) return there === 1 ? 'its shot is within reach' : there === 2 ? 'both shots within reach' : `all ${there} shots within reach`
  return `${there} of ${day.wants.length} shots within reach`
}
/** What is read aloud of a column after what is seen. */
export function dayText(day: DayBag, names: Names): string {
  const who = day.heaviest ? `on ${names.person(day.heaviest)}, ` : ''
  const amiss = day.findings.some((f) => f.severity === 'blocker') ? '; something must be fixed' : day.findings.some((f) => f.severity === 'caution') ? '; something worth a look' : ''
  return `${who}${outThere(day)}${amiss}`
}
/** "Sea eagles: wanted on 3 days, out there on 2 (not Fri 26 Feb)". */
export function wantText(want: WantDays, names: Names): string {
  const [wanted, there] = [want.wanted.length, want.there.length]
  const name = names.want(want.want)
  if (!wanted) return `${name}: planned for no day`
  const on = wanted === 1 ? `planned for ${dayName(want.wanted[0]!)}` : `planned for ${wanted} days`
  if (there === wanted) return `${name}: ${on}, and within reach`
  const missing = want.wanted.filter((d) => !want.there.includes(d)).map(dayName)
  return there === 0 ? `${name}: ${on}, and never within reach` : `${name}: ${on}, within reach on ${there} (not ${listed(missing)})`
}
/** The trip by its days, in a line. */
export function summaryText(by: ByDays): string {
  const days = by.days.length
  const own = by.outings === 0 ? 'No day has its own bag yet: each is checked with everything that travels.' : by.outings === days ? 'Every day has its own bag.' : `${by.outings} of ${days} days have their own bag; the others are checked with everything that travels.`
  const [score, whole] = [Math.round(by.score), Math.round(by.whole)]
  return score < whole ? `${own} Brief by each day’s bag ${score} %, with everything that travels ${whole} %.` : own
}
/** "by its days 93 %", where that is less than with all that travels; else how many days' bags leave a want out. */
export function byDaysText(by: Pick<ByDays, 'score' | 'whole' | 'days'> | undefined): string {
  if (!by) return ''
  if (Math.round(by.score) < Math.round(by.whole)) return `by each day’s bag ${Math.round(by.score)}\u00a0%`
  const short = by.days.filter((d) => d.loadout && d.wants.some((w) => !w.there)).length
  return short ? (short === 1 ? 'one day’s bag falls short' : `${short} days’ bags fall short`) : ''
}
/** "LB-4: 35.7 Wh asked, 20.4 there in 2 packs". */
export function packsText(packs: DayBag['packs'][number], names: Names): string {
  const inside = isBuiltIn(packs.type, names)
  const count = inside ? '' : ` in ${packs.packs} ${packs.packs === 1 ? 'battery' : 'batteries'}`
  return `${inside ? names.thing(packs.type) : packs.type}: ${fmt.figure(packs.need_wh, 1)} Wh needed, ${fmt.figure(packs.ready_wh, 1)} ready${count}`
}
/** "stacks 100 %, aurora 61 %". */
export function coversText(wants: ProposedOuting['wants'], names: Names): string {
  return wants.map((w) => `${names.want(w.want)} ${fmt.percent(w.cover).replace(' ', '\u00a0')}`).join(', ')
}
/** Days that ask the same: the same sort of day, shooting the same. */
export function alike(days: readonly Day[], date: string): string[] {
  const key = (d: Day): string => JSON.stringify([d.pattern ?? null, [...(d.wants ?? [])].sort()])
  const one = days.find((d) => d.date === date)
  return one ? days.filter((d) => key(d) === key(one)).map((d) => d.date) : []
}
/** A proposal as an outing of its days; those days are no other outing's any more. */
export function asOuting(loadouts: readonly Loadout[], made: ProposedOuting, days: readonly string[], title: string): { loadouts: Loadout[]; id: string } {
  const taken = new Set(loadouts.map((l) => l.id))
  const number = Array.from({ length: 21 }, (_, i) => i + 1).find((n) => !taken.has(`out-${n}`))!
  const outing: Loadout = { id: `out-${number}`, name: `${title}, ${WAY[made.way].toLowerCase()}`.slice(0, 80), days: [...days], legs: [], mounts: [], entries: made.kit.entries ?? [] }
  return { loadouts: [...loadouts.map((l) => ({ ...l, days: (l.days ?? []).filter((d) => !days.includes(d)) })), outing], id: outing.id }
}

/** What the safe takes and what a car does to packs, in sentences. */
export function baseText(base: AtBase, names: Names): string[] {
  const told = (items: [string, number][]): string => listed(items.map(([item, n]) => (n > 1 ? `${n} × ${names.thing(item)}` : names.thing(item))))
  const found: string[] = []
  if (base.locked?.length) {
    const inside = base.locked.filter((l) => l.inside).map((l): [string, number] => [l.item, l.inside])
    const out = base.locked.filter((l) => l.inside < l.count).map((l): [string, number] => [l.item, l.count - l.inside])
    if (!out.length) found.push(`Put your valuables into the safe, in this order: ${told(inside)}.`)
    else found.push(`Into the safe first: ${inside.length ? told(inside) : 'nothing fits'}. ${base.proved ? 'No room for' : 'No room was found in time for'} ${told(out)}.`)
  }
  const packs = Object.entries(base.packs)
  if (packs.length) {
    const where = base.sort === 'tent' ? 'tent' : 'car'
    const cold = base.left !== null && base.left < 0.95 ? ` At the coldest hour they give ${fmt.percent(base.left)} of their energy (estimate); warm them up before you go.` : ''
    const sun = where === 'car' ? ' A car in the sun gets over 60 °C: no lithium stays in it then.' : ''
    found.push(`${told(packs)} ${packs.length === 1 && packs[0]![1] === 1 ? 'lies' : 'lie'} in the ${where}.${cold}${sun}`)
  }
  return found
}

/** "6.07 kg for all of it", "4.98 kg for 81 % of it". */
export function shareText(made: Pick<ProposedOuting, 'carried_g' | 'score' | 'whole_score'>, units: Units): string {
  const served = made.whole_score ? made.score / made.whole_score : 1
  return `${fmt.load(made.carried_g, units)} for ${served > 0.995 ? 'all of it' : `${fmt.percent(served)} of it`}`
}
