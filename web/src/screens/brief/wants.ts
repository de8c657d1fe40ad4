/** Wants as they are typed. */
import type { Want } from '@/api/types'
import * as fmt from '@/format/units'
import { idFrom } from '@/screens/trips/new-trip'

type Trait = NonNullable<Want['traits']>[number]['trait']
export type TraitState = 'none' | 'wished' | 'essential'

export const TRAITS: { value: Trait; title: string }[] = [
  { value: 'autofocus', title: 'Autofocus' },
  { value: 'sealed', title: 'Sealed' },
  { value: 'stabilised', title: 'Stabilised' },
  { value: 'macro', title: 'Macro' },
  { value: 'video', title: 'Video' },
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
    name: 'A new want',
    focal_min_mm: 24,
    focal_max_mm: 70,
    max_f_number: 8,
    light: 'exposure',
    megapixels: 16,
    traits: [],
    static_subject: false,
    importance: 3,
  }
}

/** What a want asks, on one line. */
export function asks(want: Want): string {
  const traits = (want.traits ?? []).map((t) => `${t.trait}${t.essential ? ', essential' : ''}`)
  const light = `${fmt.fNumber(want.max_f_number ?? 8)}${want.light === 'equivalent' ? ' equivalent' : ''}`
  return [light, `${fmt.figure(want.megapixels ?? 12)} MP`, ...traits, want.static_subject ? 'stands still' : ''].filter(Boolean).join(' · ')
}
