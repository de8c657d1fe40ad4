/** Packs and pictures day by day. */
import { aboutKit, type Stamped } from '../asking'
import { client, whole } from '../client'
import type { Stamina, StaminaReport } from '../types'

/** stamina: settings that are tried. */
export const staminaQuery = (at: Stamped | null, stamina: Stamina | undefined) =>
  aboutKit('stamina', at, (path, signal) => whole<StaminaReport>(client.POST('/api/trips/{slug}/kits/{kit}/stamina', { params: { path }, body: { stamina: stamina! }, signal })), [stamina])
export const staminaAdviceQuery = (at: Stamped | null, stamina: Stamina | undefined) =>
  aboutKit('stamina-advice', at, (path, signal) => client.POST('/api/trips/{slug}/kits/{kit}/stamina/advice', { params: { path }, body: { stamina: stamina! }, signal }), [stamina])
