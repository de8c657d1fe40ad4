/** The gate drill of a kit: it stows what comes out, so it is fetched when it is asked for. */
import { ask, client } from '@/api/client'
import type { Drill } from '@/api/types'

export function fetchDrill(slug: string, kit: string): Promise<Drill[]> {
  return ask(client.GET('/api/trips/{slug}/kits/{kit}/gate-drill', { params: { path: { slug, kit } } }))
}
