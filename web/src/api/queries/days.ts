/** The trip by its days: what goes out of the door on each, and what lies at the base. */
import { aboutKit, type Stamped } from '../asking'
import { client } from '../client'
import { curesOf } from './cures'

export const daysQuery = (at: Stamped | null) => aboutKit('days', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/days', { params: { path }, signal }))
export const outingQuery = (at: Stamped | null, loadout: string) =>
  aboutKit('outing', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/loadouts/{loadout}', { params: { path: { ...path, loadout } }, signal }), [loadout], 'same question')
/** What lies at the base on a day, where the trip says what that is. */
export const baseQuery = (at: Stamped | null, on: string) =>
  aboutKit('base', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/days/{on}/base', { params: { path: { ...path, on } }, signal }), [on], 'same question')
/** What each thing in the bag of a day earns then, and what goes first. */
export const dayAdviceQuery = (at: Stamped | null, on: string) =>
  aboutKit('day-advice', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/days/{on}/advice', { params: { path: { ...path, on } }, signal }), [on], 'same question')
/** What is amiss with the bag of a day, with ways out of what lies at the base. */
export const dayCuresQuery = (at: Stamped | null, on: string) => curesOf(['day-cures', at, on], at && on ? `/api/trips/${at.trip}/kits/${at.kit}/days/${on}/cures` : null, {})
