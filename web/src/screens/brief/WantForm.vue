<script setup lang="ts">
/** One want: the range, the light, the pixels, the traits, and how much it matters. */
import { computed } from 'vue'
import type { Want } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { AID_LIST, EFFECTS, TRAITS, traitState, type TraitState, withAids, withEffect, withTrait } from './wants'
import WantTyping from './WantTyping.vue'

const props = defineProps<{ errors: Record<string, string>; index: number }>()
const want = defineModel<Want>({ required: true })
const error = (field: string): string => props.errors[`wants.${props.index}.${field}`] ?? ''
const rangeError = computed(() => props.errors[`wants.${props.index}`] ?? '')

function set<K extends keyof Want>(key: K, value: Want[K] | null | undefined): void {
  want.value = { ...want.value, [key]: value }
}
const effects = computed(() => (want.value.effects ?? []).map((e) => e.effect))
const dense = computed(() => (want.value.effects ?? []).filter((e) => e.stops !== null && e.stops !== undefined))
function setEffects(chosen: (typeof EFFECTS)[number]['value'][]): void {
  want.value = EFFECTS.reduce((made, { value }) => {
    const had = made.effects?.find((e) => e.effect === value)
    return withEffect(made, value, chosen.includes(value), had?.stops)
  }, want.value)
}
const LIGHT = [
  { title: 'exposure', value: 'exposure' },
  { title: 'depth of field, as on full frame', value: 'equivalent' },
]
const STATES: { title: string; value: TraitState }[] = [
  { title: 'any', value: 'none' },
  { title: 'preferred', value: 'wished' },
  { title: 'required', value: 'essential' },
]
</script>

<template>
  <div class="form">
    <WantTyping v-model="want" class="typing" />
    <VTextField class="name" :model-value="want.name" label="Name" maxlength="80" :error-messages="error('name')" @update:model-value="set('name', String($event ?? ''))" />
    <NumberField :model-value="want.focal_min_mm" :readonly="Boolean(want.subject)" label="From" unit="mm" required :error="error('focal_min_mm')" @update:model-value="set('focal_min_mm', $event)" />
    <NumberField :model-value="want.focal_max_mm" :readonly="Boolean(want.subject)" label="To" unit="mm" required :error="error('focal_max_mm') || rangeError" @update:model-value="set('focal_max_mm', $event)" />
    <NumberField :model-value="want.max_f_number" label="Widest aperture needed, f/" required :error="error('max_f_number')" @update:model-value="set('max_f_number', $event)" />
    <VSelect class="light" :model-value="want.light" :items="LIGHT" label="Aperture is for" @update:model-value="set('light', $event)" />
    <NumberField :model-value="want.megapixels" :readonly="Boolean(want.output)" label="Megapixels needed" unit="MP" required :error="error('megapixels')" @update:model-value="set('megapixels', $event)" />
    <div class="importance" role="radiogroup" aria-label="Importance">
      <span class="label">Importance</span>
      <button v-for="n in 5" :key="n" type="button" role="radio" class="step" :aria-checked="want.importance === n" @click="set('importance', n)">{{ n }}</button>
    </div>
    <VSelect
      v-for="trait in TRAITS"
      :key="trait.value"
      :model-value="traitState(want, trait.value)"
      :items="STATES"
      :label="trait.title"
      @update:model-value="want = withTrait(want, trait.value, $event)"
    />
    <VSelect class="light" :model-value="effects" :items="EFFECTS" multiple label="Filters needed" placeholder="none" persistent-placeholder @update:model-value="setEffects($event)" />
    <NumberField v-for="wish in dense" :key="wish.effect" :model-value="wish.stops" :label="wish.effect === 'nd' ? 'ND' : 'Graduated'" unit="stops" required @update:model-value="want = withEffect(want, wish.effect, true, $event)" />
    <VSelect class="light" :model-value="(want.aids ?? []).map((a) => a.aid)" :items="AID_LIST" multiple label="Also needs" placeholder="nothing else" persistent-placeholder @update:model-value="want = withAids(want, $event)" />
    <NumberField v-for="(wish, at) in want.aids ?? []" :key="wish.aid" :model-value="wish.count" :label="`How many: ${wish.aid}`" required :error="error(`aids.${at}.count`)" @update:model-value="set('aids', (want.aids ?? []).map((a) => (a.aid === wish.aid ? { ...a, count: Math.round($event ?? 1) } : a)))" />
    <VCheckbox class="still" :model-value="want.steady ?? false" label="Needs a tripod or another support" @update:model-value="set('steady', Boolean($event))" />
    <VCheckbox class="still" :model-value="want.static_subject" label="Subject stands still: frames may be stitched" @update:model-value="set('static_subject', Boolean($event))" />
  </div>
</template>

<style scoped>
.form {
  display: grid;
  /* Ten where there is room; labels stay readable where there is not. */
  grid-template-columns: repeat(auto-fill, minmax(max(66px, 8.6%), 1fr));
  gap: 10px;
}
.form > * {
  grid-column: span 2;
}
.form > .typing {
  grid-column: 1 / -1;
}
.form > .name,
.form > .light,
.form > .still,
.form > .importance {
  grid-column: span 4;
}
.importance {
  display: flex;
  align-items: center;
  gap: 3px;
}
.importance .label {
  margin-right: 8px;
}
.step {
  font: inherit;
  width: 30px;
  height: 30px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.step[aria-checked='true'] {
  background: var(--button);
  color: var(--button-ink);
  font-weight: 700;
}
.still {
  align-self: center;
}
</style>
