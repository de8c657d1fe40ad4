/** Which bag, and who carries what, in words; pure. */
import type { Act, BagSet, Shared, Spare, Thing, Units } from '@/api/types'
import type { Names } from './names'
import * as fmt from '@/format/units'
import { say } from './findings'
import { listed, many } from './parts'

/** Those that take everything first, then those that every leg takes, then what is lightest on foot; the kit as it is on top. */
export function ranked(sets: readonly BagSet[]): BagSet[] {
  const over = (one: BagSet): number => Object.values(one.left).reduce((sum, n) => sum + n, 0)
  const rank = (one: BagSet): number[] => [one.key === NOW ? 0 : 1, over(one), one.refused.length, one.on_foot_g]
  // What leaves something over is of no use where others take it all.
  const enough = sets.filter((one) => one.key !== NOW && !over(one)).length >= 3
  return sets.filter((one) => !enough || one.key === NOW || !over(one)).sort((a, b) => {
    const [x, y] = [rank(a), rank(b)]
    const at = x.findIndex((v, i) => v !== y[i])
    return at < 0 ? 0 : x[at]! - y[at]!
  })
}
export const NOW = 'now'

/** "Ridge 32 + Cube, large · Sling 6 · Duffel 60". */
export function setName(one: BagSet, names: Names): string {
  const bag = (id: string): string => [id, ...Object.keys(one.inserts).filter((insert) => one.inserts[insert] === id)].map(names.thing).join(' + ')
  return one.bags.map(bag).join(' · ')
}
/** Whether all goes in and every leg takes it; how bad it is where not. */
export function verdict(one: BagSet, names: Names, units: Units): { text: string; severity: 'fine' | 'caution' | 'blocker' } {
  const left = Object.entries(one.left).map(([item, n]) => (n > 1 ? `${n} × ${names.thing(item)}` : names.thing(item)))
  const goes = left.length ? `${many(Object.values(one.left).reduce((a, n) => a + n, 0), 'item')} left over${one.proved ? '' : ', as far as tried'}: ${listed(left)}` : 'everything fits'
  const legs = one.refused.length ? whyRefused(one, names, units) : one.legs.length ? (one.legs.length === 1 ? 'the leg allows it' : `all ${one.legs.length} legs allow it`) : ''
  return { text: [goes, legs].filter(Boolean).join('; '), severity: left.length ? 'blocker' : one.refused.length ? 'caution' : 'fine' }
}
/** "Small plane: 567 g over": the first leg that does not take it, and what is most over. */
function whyRefused(one: BagSet, names: Names, units: Units): string {
  const leg = one.legs.find((l) => l.leg === one.refused[0])!
  const worst = leg.checks.filter((c) => !c.passes)[0]
  const over = worst ? worst.value - worst.allowed : 0
  const why = !worst ? 'not allowed' : worst.limit === 'mass' || worst.limit === 'together' ? `${fmt.mass(over, units)} over` : worst.limit === 'count' ? 'too many pieces' : worst.limit === 'soft' ? 'soft bags only' : `${fmt.side(over, units)} too large`
  const more = one.refused.length > 1 ? ` (and ${one.refused.length - 1} more)` : ''
  return `${names.leg(leg.leg)}${more}: ${why}`
}
const DEPTH = { quick: 'without taking it off', open: 'one zip', deep: 'buried' } as const
/** "Corrie C1 and Corrie C1, second: one zip", or what lies on top of them. */
export function quickText(one: BagSet, names: Names): string {
  const by = new Map<string, string[]>()
  for (const q of one.quick) {
    const how = q.layer ? `${DEPTH[q.access]}, ${many(q.layer, 'item')} on top` : DEPTH[q.access]
    by.set(how, [...(by.get(how) ?? []), names.thing(q.item)])
  }
  return [...by].map(([how, items]) => `${listed(items)}: ${how}`).join('; ')
}
/** "back 46 cm, hip belt and chest strap; own rain cover; 2 straps to 60 cm". */
export function bagFacts(thing: Thing | undefined, units: Units): { what: string; said: string }[] {
  if (thing?.kind !== 'bag') return []
  const hangs = [thing.hip_belt && 'hip belt', thing.chest_strap && 'chest strap'].filter(Boolean) as string[]
  const back = [thing.back_mm ? `back ${fmt.side(thing.back_mm, units)}` : '', hangs.length ? listed(hangs) : 'no hip belt, no chest strap'].filter(Boolean).join(', ')
  const opens = [...new Set((thing.compartments ?? []).flatMap((c) => (c.opens ? [c.opens] : [])))]
  const strap = thing.strap_mm ? ` to ${fmt.side(thing.strap_mm, units)}` : ''
  const found = [{ what: 'on the back', said: back }]
  if (opens.length) found.push({ what: 'opens', said: listed(opens) })
  found.push({ what: 'rain cover', said: thing.rain_cover ? 'its own' : 'none of its own' })
  found.push({ what: 'straps outside', said: thing.straps === 0 ? 'none' : `${thing.straps ?? 2}${strap}` })
  if (thing.piece === 'personal' && thing.size.shape === 'box') {
    const [a, b, c] = [thing.size.length_mm, thing.size.width_mm, thing.size.height_mm].sort((x, y) => y - x) as [number, number, number]
    found.push({ what: 'under the seat', said: fmt.sides([a, b, Math.max(1, c - (thing.squeeze_mm ?? 0))], units) })
  }
  if (thing.unpadded) found.push({ what: 'padding', said: 'none: lenses only in an insert' })
  if (thing.looks) found.push({ what: 'looks like', said: thing.looks === 'camera' ? 'a camera bag' : 'any bag' })
  return found
}
/** "152 sets of bags looked at; 6 that no other beats in everything". */
export function triedText(tried: number, of: number, shown: number, running: boolean): string {
  const beats = `${shown} that no other beats in everything`
  return running ? `${tried} of ${of} sets packed; ${beats} so far` : tried < of ? `stopped after ${tried} of ${of} sets; ${beats}` : `${many(of, 'set')} tried; ${beats}`
}
/** "Corrie C1, second → Ridge 25, Marit". */
export function actText(act: Act, names: Names): { what: string; where: string } {
  const thing = act.items.map(names.thing).join(' with ')
  const place = act.edits[0]!.place
  const bag = place.where === 'bag' ? `${place.outside ? 'outside on ' : ''}${names.thing(place.bag)}` : ''
  return { what: act.count > 1 ? `${act.count} × ${thing}` : thing, where: [bag, names.person(act.to_person)].filter(Boolean).join(', ') }
}
/** What the moves come to, in a sentence or two. */
export function sharedText(shared: Shared, names: Names, units: Units): string {
  const was = shared.over.filter((o) => o.before_over_g > 0)
  const still = shared.over.filter((o) => o.after_over_g > 0)
  const legs = still.length ? `${names.leg(still[0]!.leg)} is still ${fmt.mass(still[0]!.after_over_g, units)} over.` : was.length ? 'Then every leg allows the bags.' : ''
  const gone = shared.gone.filter((f) => f.code !== 'leg-mass' && f.code !== 'leg-together').map((f) => say(f, names, units).head)
  const news = shared.new.map((f) => say(f, names, units).head)
  return [legs, gone.length ? `It also fixes: ${gone.join(' ')}` : '', news.length ? `But it causes: ${news.join(' ')}` : ''].filter(Boolean).join(' ')
}
const MEASURE = { 'carries-well': 'Of each comfortable load (the dashed line)', 'body-mass': 'Of body mass', grams: '' } as const
interface Back {
  person: string
  beforeShare: number | null
  afterShare: number | null
}
/** "Of each comfortable load (the dashed line): Ines 89 %, then 68 %; Marit 50 %, then 67 %." */
export function sharesText(backs: readonly Back[], measure: Shared['measure'], names: Names): string {
  if (measure === 'grams') return 'Compared in grams: add comfortable loads or body mass in the Brief.'
  const share = (part: number | null): string => fmt.percent(part ?? 0).replace(' ', '\u00a0')
  const said = backs.map((b) => `${names.person(b.person)} ${share(b.beforeShare)}, then ${share(b.afterShare)}`)
  return `${MEASURE[measure]}: ${said.join('; ')}.`
}
/** "stands in for Stork ball head and Stork carbon tripod; packs last 3 days longer". */
export function spareText(spare: Spare, names: Names): string {
  const covers = spare.covers.length > 3 ? `${spare.covers.slice(0, 3).map(names.thing).join(', ')} and ${spare.covers.length - 3} more` : listed(spare.covers.map(names.thing))
  const days = spare.days ? `; batteries last ${many(spare.days, 'day')} longer without ${spare.covers.length > 1 ? 'them' : 'it'}` : ''
  return `stands in for ${covers}${days}`
}
