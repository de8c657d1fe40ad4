/** What the place and the people do to the kit, in words. */
import type { FindingCode } from '@/api/types'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { item, list, many, number, ref, type Say } from './parts'

function when(f: Parameters<Say>[0]): string {
  const days = number(f, 'days')
  if (!number(f, 'of_days')) return ''
  return days === number(f, 'of_days') ? ' on every day' : ` on ${many(days, 'day')} of ${number(f, 'of_days')}`
}

export const PLACE = {
  'tripods-barred': (f, n) => ({ head: `${ref(f, 'rule')}${when(f)}.`, body: `${list(f.items ?? [], n)} must stay outside. A clamp or flat plate may pass; follow the people there.` }),
  'drones-barred': (f, n) => ({ head: `${ref(f, 'rule')}${when(f)}.`, body: `${list(f.items ?? [], n)} must stay on the ground. Local rules and trained people decide.` }),
  'big-bags-barred': (f, n) => ({ head: `${ref(f, 'rule')}${when(f)}.`, body: `${list(f.items ?? [], n)} is too big to go in, with what is strapped on.` }),
  'lens-changes': (f, n) => ({
    head: `${many(number(f, 'changes'), 'lens change')} in bad weather.`,
    body: `On ${many(number(f, 'days'), 'day')} of rain, spray, dust, wind or ridge; most on ${day(ref(f, 'day'))}: ${list(f.items ?? [], n)}.`,
  }),
  'back-too-late': (f, n) => ({ head: `${item(f, n)} comes back too late.`, body: `It is away until ${day(ref(f, 'until'))}; the trip starts ${day(ref(f, 'start'))}.` }),
  'goes-back': (f, n) => ({ head: `${item(f, n)} goes back before you do.`, body: `It is due on ${day(ref(f, 'due'))}; the trip ends ${day(ref(f, 'last'))}. Ask for longer, or do without.` }),
  'set-incomplete': (f) => ({
    head: `${ref(f, 'name')}: ${ref(f, 'use')} for ${number(f, 'have')} of ${number(f, 'people')}.`,
    body: ref(f, 'set') === 'avalanche' ? 'Complete on everybody, or stay off the slopes. It helps only with training, and the bulletin decides first: follow local warnings and trained guides.' : 'Complete on everybody, or on nobody. Local rules and trained guides decide.',
  }),
  'to-fetch': (f, n) => ({ head: `To fetch first: ${list(f.items ?? [], n)}.`, body: `Rented or borrowed, not yours${number(f, 'undated') ? `; for ${number(f, 'undated') === f.items?.length ? 'none' : 'some'} of it a day is noted by which it goes back` : ''}.` }),
  'carries-well': (f, n, u) => ({
    head: `${n.person(ref(f, 'person'))} carries ${fmt.mass(number(f, 'over'), u)} too much.`,
    body: `${fmt.load(number(f, 'carried_g'), u)} in all, more than carried well.`,
  }),
  'both-in-one-bag': (f, n) => ({ head: `${list(f.items?.slice(0, 2) ?? [], n)} ride in one bag.`, body: `They back each other up; lost with ${n.thing(f.items?.[2] ?? '')}, both are gone.` }),
  'torch-each': (f) => ({ head: `${many(number(f, 'have'), 'head torch', 'head torches')} for ${many(number(f, 'people'), 'person', 'people')}.`, body: 'Light to walk by is one each.' }),
} satisfies Partial<Record<FindingCode, Say>>
