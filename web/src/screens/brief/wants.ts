/** Wants as they are typed. */
import type { Want } from '@/api/types'
import * as fmt from '@/format/units'
import { AIDS } from '@/wording/kinds'
import { idFrom } from '@/screens/trips/new-trip'

type Trait = NonNullable<Want['traits']>[number]['trait']
export type TraitState = 'none' | 'wished' | 'essential'

export const TRAITS: { value: Trait; title: string }[] = [
  { value: 'autofocus', title: 'Autofocus' },
  { value: 'sealed', title: 'Sealed' },
  { value: 'stabilised', title: 'Stabilised' },
  { value: 'macro', title: 'Macro' },
  { value: 'video', title: 'Video' },
  { value: 'nebulae', title: 'Astro-modified' },
  { value: 'clean', title: 'Low noise in the dark' },
]

export function traitState(want: Want, trait: Trait): TraitState {
  const wish = want.traits?.find((w) => w.trait === trait)
  if (!wish) return 'none'
  return wish.essential ? 'essential' : 'wished'
}

export function withTrait(want: Want, trait: Trait, state: TraitState): Want {
  const others = (want.traits ?? []).filter((w) => w.trait !== trait)
  return { ...want, traits: state === 'none' ? others : [...others, { trait, essential: state === 'essential' }] }
}

export function newWant(taken: readonly string[]): Want {
  return {
    id: idFrom('want', taken),
    name: 'New shot',
    focal_min_mm: 24,
    focal_max_mm: 70,
    max_f_number: 8,
    light: 'exposure',
    megapixels: 16,
    traits: [],
    static_subject: false,
    importance: 3,
    effects: [],
    steady: false,
    aids: [],
  }
}

type Aid = NonNullable<Want['aids']>[number]['aid']

/** What a want may ask for beside glass and filters. */
export const AID_LIST = Object.entries(AIDS).map(([value, title]) => ({ value: value as Aid, title }))

export function withAids(want: Want, chosen: readonly Aid[]): Want {
  return { ...want, aids: chosen.map((aid) => (want.aids ?? []).find((a) => a.aid === aid) ?? { aid, count: 1 }) }
}

type Effect = NonNullable<Want['effects']>[number]['effect']

/** Filter effects a want may ask for; densities are asked in stops. */
export const EFFECTS: { value: Effect; title: string; stops: number | null }[] = [
  { value: 'nd', title: 'Neutral density', stops: 6 },
  { value: 'graduated-nd', title: 'Graduated density', stops: 3 },
  { value: 'polariser', title: 'Polariser', stops: null },
  { value: 'night-sky', title: 'Night-sky filter', stops: null },
  { value: 'diffusion', title: 'Diffusion', stops: null },
]

export function withEffect(want: Want, effect: Effect, on: boolean, stops?: number | null): Want {
  const others = (want.effects ?? []).filter((e) => e.effect !== effect)
  const usual = EFFECTS.find((e) => e.value === effect)?.stops ?? null
  return { ...want, effects: on ? [...others, { effect, stops: usual === null ? null : (stops ?? usual) }] : others }
}

/** The wants of a ready-made set, under ids that are free. */
export function fromSet(wants: readonly Want[], taken: readonly string[]): Want[] {
  const ids = new Set(taken)
  return wants.map((want) => {
    let id = want.id
    for (let n = 2; ids.has(id); n++) id = `${want.id}-${n}`
    ids.add(id)
    return { ...want, id }
  })
}

/** What a want asks, on one line. */
export function asks(want: Want): string {
  const traits = (want.traits ?? []).map((t) => `${t.trait}${t.essential ? ', essential' : ''}`)
  const light = `${fmt.fNumber(want.max_f_number ?? 8)}${want.light === 'equivalent' ? ' equivalent' : ''}`
  return [light, `${fmt.figure(want.megapixels ?? 12)} MP`, ...traits, want.static_subject ? 'stands still' : '', want.steady ? 'held still' : '', ...(want.aids ?? []).map((a) => (a.count > 1 ? `${a.count} × ${a.aid}` : AIDS[a.aid]))].filter(Boolean).join(' · ')
}
