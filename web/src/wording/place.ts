/** What the place and the people do to the kit, in words. */
import type { FindingCode } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { item, list, many, type Of, type Says } from './parts'

function when({ days, of_days }: Of<'tripods-barred' | 'drones-barred' | 'big-bags-barred'>): string {
  if (!of_days) return ''
  return days === of_days ? ' on every day' : ` on ${many(days, 'day')} of ${of_days}`
}

export const PLACE = {
  'tripods-barred': (f, n) => ({ head: `${f.rule}${when(f)}.`, body: `${list(f.items ?? [], n)} must stay outside. A clamp or flat plate may pass; follow the people there.` }),
  'drones-barred': (f, n) => ({ head: `${f.rule}${when(f)}.`, body: `${list(f.items ?? [], n)} must not fly. Local rules and trained people decide.` }),
  'big-bags-barred': (f, n) => ({ head: `${f.rule}${when(f)}.`, body: `${list(f.items ?? [], n)} is too big to go in, gear strapped on included.` }),
  'lens-changes': (f, n) => ({
    head: `${many(f.changes, 'lens change')} in bad weather.`,
    body: `On ${many(f.days, 'day')} of rain, spray, dust, wind or ridge; most on ${day(f.day)}: ${list(f.items ?? [], n)}.`,
  }),
  'back-too-late': (f, n) => ({ head: `${item(f, n)} comes back too late.`, body: `It is away until ${day(f.until)}; the trip starts ${day(f.start)}.` }),
  'goes-back': (f, n) => ({ head: `${item(f, n)} goes back before you do.`, body: `It is due on ${day(f.due)}; the trip ends ${day(f.last)}. Extend it, or leave it.` }),
  'set-incomplete': (f) => ({
    head: `${f.name}: ${f.use} for ${f.have} of ${f.people}.`,
    body: f.set === 'avalanche' ? 'Everyone needs a complete set, or stay off the slopes. It helps only with training, and the bulletin decides first: follow local warnings and trained guides.' : 'Everyone needs the whole set. Local rules and trained guides decide.',
  }),
  'to-fetch': (f, n) => ({ head: `To fetch first: ${list(f.items ?? [], n)}.`, body: `Rented or borrowed${f.undated ? `; ${f.undated === f.items?.length ? 'no' : 'not every'} return date is noted` : ''}.` }),
  'carries-well': (f, n, u) => ({
    head: `${n.person(f.person)} carries ${fmt.mass(f.over_g, u)} too much.`,
    body: `${fmt.load(f.carried_g, u)} in all, over the comfortable load.`,
  }),
  'both-in-one-bag': (f, n) => ({ head: `${list(f.items?.slice(0, 2) ?? [], n)} are in one bag.`, body: `Each is the other’s backup. If you lose ${n.thing(f.items?.[2] ?? '')}, you lose both.` }),
  'torch-each': (f) => ({ head: `${many(f.have, 'head torch', 'head torches')} for ${many(f.people, 'person', 'people')}.`, body: 'Everyone needs a light to walk by.' }),
} satisfies Partial<Says<FindingCode>>
