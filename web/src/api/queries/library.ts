/** The locker and the carriers, and what ships to begin with. */
import { FOR_GOOD, read } from '../asking'
import { KEY } from '../cache'
import { client } from '../client'

export const lockerQuery = read(KEY.locker, (signal) => client.GET('/api/locker/things', { signal }))
export const typicalQuery = { ...read(KEY.typical, (signal) => client.GET('/api/locker/typical', { signal })), ...FOR_GOOD }
export const carriersQuery = read(KEY.carriers, (signal) => client.GET('/api/carriers', { signal }))
export const carrierPatternsQuery = { ...read(KEY.carrierPatterns, (signal) => client.GET('/api/carriers/patterns', { signal })), ...FOR_GOOD }
export const usualRestrictionsQuery = { ...read(KEY.usualRestrictions, (signal) => client.GET('/api/carriers/usual-restrictions', { signal })), ...FOR_GOOD }
