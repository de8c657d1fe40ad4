/** The gate drill, and foam cut to what a bag holds. */
import { aboutKit, type Stamped } from '../asking'
import { client } from '../client'
import type { FoamWish } from '../types'

/** The gate drill of a kit: it stows what comes out, so it is fetched when it is asked for. */
export const drillQuery = (at: Stamped | null) => aboutKit('drill', at, (path, signal) => client.GET('/api/trips/{slug}/kits/{kit}/gate-drill', { params: { path }, signal }), [], 'none')
export const foamQuery = (at: Stamped, bag: string, wish: FoamWish) =>
  aboutKit('foam', at, (path, signal) => client.GET('/api/exchange/foam/{slug}/{kit}/{bag}', { params: { path: { ...path, bag }, query: wish }, signal }), [bag, wish])
export const foamCasesQuery = (at: Stamped, bag: string, wish: FoamWish) =>
  aboutKit('foam-cases', at, (path, signal) => client.GET('/api/exchange/foam/{slug}/{kit}/{bag}/cases', { params: { path: { ...path, bag }, query: wish }, signal }), [bag, wish])
