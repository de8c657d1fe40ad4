/** Changes of a kit, one after the other. Each carries its own target from the click on: which kit, at which version. */
import { useMutation } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { ask, client } from '@/api/client'
import { Problem } from '@/api/problem'
import type { At } from '@/api/asking'
import { changed, KEY, keepMade, queries } from '@/api/cache'
import { benchQuery } from '@/api/queries/bench'
import type { Bench, Edit, KitState, Stow } from '@/api/types'
import { notify } from './useNotice'

/** A kit as somebody saw it when they clicked. */
export interface Target extends At {
  version: number
}
export type KitChange = { what: 'edits'; edits: Edit[] } | { what: 'undo' } | { what: 'redo' } | { what: 'stow'; stow: Stow } | { what: 'loadout'; loadout: string; edits: Edit[] }
interface Queued {
  target: Target
  change: KitChange
}

/** Versions that a change of this window made out of another: clicks that queue up were all made on the first. */
export class OwnVersions {
  private readonly made = new Map<string, number>()

  note({ trip, kit }: At, before: number, after: number): void {
    this.made.set(`${trip} ${kit} ${before}`, after)
  }

  /** What has become of a version by this window's own changes; those of others are not followed. */
  follow({ trip, kit, version }: Target): number {
    let at = version
    for (let next = this.made.get(`${trip} ${kit} ${at}`); next !== undefined && next > at; next = this.made.get(`${trip} ${kit} ${at}`)) at = next
    return at
  }
}

const own = new OwnVersions()

function send({ target, change }: Queued, version: number): Promise<KitState> {
  const params = { path: { slug: target.trip, kit: target.kit } }
  switch (change.what) {
    case 'edits':
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/edits', { params, body: { version, edits: change.edits } }))
    case 'stow':
      return ask(client.PUT('/api/trips/{slug}/kits/{kit}/stow', { params, body: { version, stow: change.stow } }))
    case 'loadout':
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/loadouts/{loadout}/edits', { params: { path: { ...params.path, loadout: change.loadout } }, body: { version, edits: change.edits } }))
    case 'undo':
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/undo', { params, body: { version } }))
    case 'redo':
      return ask(client.POST('/api/trips/{slug}/kits/{kit}/redo', { params, body: { version } }))
  }
}

/** Does one change where it was meant, and keeps what the server makes of it there. */
export async function doChange(queued: Queued): Promise<KitState> {
  const { target } = queued
  const version = own.follow(target)
  // Ways out of what stands now are the answer to a question that nobody asks any more.
  void queries.cancelQueries({ queryKey: KEY.cures })
  const state = await send(queued, version)
  own.note(target, version, state.version)
  keepMade<Bench>(KEY.bench(target.trip, target.kit), (old) => old && { ...old, state })
  void changed('kit', target)
  return state
}

async function explain(error: Error, { target }: Queued): Promise<void> {
  void queries.invalidateQueries({ queryKey: KEY.cures })
  if (error instanceof Problem && error.stale) {
    await queries.invalidateQueries({ queryKey: KEY.bench(target.trip, target.kit) })
    notify('This kit was changed in another window. You now see it as it is there; do your change again.')
    return
  }
  if (!(error instanceof Problem)) {
    notify('There is no network: nothing was changed. The kit is as you see it; click again when there is one. Ticks and notes work without.')
    return
  }
  notify(error)
}

export function useKitChanges(trip: MaybeRefOrGetter<string>, kit: MaybeRefOrGetter<string>) {
  const mutation = useMutation({
    mutationFn: doChange,
    onError: explain,
    // One after the other, so that each sees the version the one before made.
    scope: { id: 'kit' },
  })
  /** The kit of this screen as it is known at this moment; none before it was ever read. */
  function target(): Target | null {
    const at = { trip: toValue(trip), kit: toValue(kit) }
    const bench = queries.getQueryData<Bench>(benchQuery(at).queryKey)
    return bench ? { ...at, version: bench.state.version } : null
  }
  function change(what: KitChange, then?: () => void): void {
    const at = target()
    if (at) mutation.mutate({ target: at, change: what }, { onSuccess: () => then?.() })
    else notify('This kit is still on its way; try again in a moment.')
  }
  return {
    edit: (edits: Edit[]) => change({ what: 'edits', edits }),
    stow: (stow: Stow, then?: () => void) => change({ what: 'stow', stow }, then),
    editLoadout: (loadout: string, edits: Edit[], then?: () => void) => change({ what: 'loadout', loadout, edits }, then),
    undo: () => change({ what: 'undo' }),
    redo: () => change({ what: 'redo' }),
    busy: mutation.isPending,
  }
}
