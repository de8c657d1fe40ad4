<script setup lang="ts">
/** What really fits in a bag or insert: its inside, or its compartments one by one. */
import type { Bag, Compartment, Insert } from '@/api/types'
import NumberField from '@/components/NumberField.vue'

const props = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<Bag | Insert>({ required: true })
const SIDES = [
  { key: 'length_mm', label: 'Up' },
  { key: 'width_mm', label: 'Across' },
  { key: 'height_mm', label: 'Out' },
] as const
const ACCESS = [
  { title: 'quick', value: 'quick' },
  { title: 'easy: one zip', value: 'open' },
  { title: 'buried', value: 'deep' },
]
const SORTS = [
  { title: 'main space', value: 'main' },
  { title: 'pocket', value: 'pocket' },
  { title: 'sleeve', value: 'sleeve' },
]
const OPENS = [
  { title: 'not said', value: null },
  { title: 'at the back', value: 'back' },
  { title: 'at the front', value: 'front' },
  { title: 'at the side', value: 'side' },
  { title: 'at the top', value: 'top' },
]
const EMPTY = { shape: 'box', length_mm: 200, width_mm: 150, height_mm: 40 } as const

function measure(key: (typeof SIDES)[number]['key'], value: number | null): void {
  draft.value = { ...draft.value, inner: { ...(draft.value.inner ?? EMPTY), [key]: value ?? 0 } }
}
function change(index: number, change: Partial<Compartment>): void {
  draft.value = { ...draft.value, compartments: (draft.value.compartments ?? []).map((c, i) => (i === index ? { ...c, ...change } : c)) }
}
function add(): void {
  const taken = new Set((draft.value.compartments ?? []).map((c) => c.id))
  const number = Array.from({ length: 13 }, (_, i) => i + 1).find((n) => !taken.has(`space-${n}`))
  // The first one takes over what was measured of the whole.
  const first = !taken.size && draft.value.inner
  const made: Compartment = { id: `space-${number}`, name: first ? 'Main' : `Pocket ${number}`, inner: first ? draft.value.inner! : EMPTY, access: 'open', sort: first ? 'main' : 'pocket', divided: Boolean(first), screen_in: null }
  draft.value = { ...draft.value, compartments: [...(draft.value.compartments ?? []), made] }
}
function remove(index: number): void {
  draft.value = { ...draft.value, compartments: (draft.value.compartments ?? []).filter((_, i) => i !== index) }
}
const whole = (value: number | null | undefined): number | null => (value == null ? null : Math.round(value))
const wrong = (index: number, field: string): string | undefined => props.errors[`compartments.${index}.${field}`]
</script>

<template>
  <fieldset>
    <legend>Inside <span class="quiet">{{ draft.compartments?.length ? 'space by space' : draft.inner ? 'as measured' : 'not measured yet: calculated from litres and outer size' }}</span></legend>
    <div v-if="!draft.compartments?.length" class="sides">
      <NumberField v-for="s in SIDES" :key="s.key" :model-value="draft.inner?.[s.key] ?? null" :label="s.label" quantity="thing" :error="errors[`inner.${s.key}`]" @update:model-value="measure(s.key, $event ?? null)" />
    </div>
    <NumberField v-if="!draft.compartments?.length" class="count" :model-value="draft.dividers ?? null" label="Dividers supplied" :error="errors.dividers" @update:model-value="draft = { ...draft, dividers: whole($event) }" />
    <div v-for="(c, index) in draft.compartments" :key="c.id" class="space">
      <VTextField :model-value="c.name" label="Space" :error-messages="wrong(index, 'name')" @update:model-value="change(index, { name: String($event ?? '') })" />
      <VSelect :model-value="c.sort" :items="SORTS" label="Kind of space" @update:model-value="change(index, { sort: $event, divided: $event === 'main' })" />
      <VSelect :model-value="c.access" :items="ACCESS" label="How to reach it" @update:model-value="change(index, { access: $event })" />
      <VSelect :model-value="c.opens ?? null" :items="OPENS" label="Opens" @update:model-value="change(index, { opens: $event })" />
      <NumberField v-for="s in SIDES" :key="s.key" :model-value="c.inner[s.key]" :label="s.label" quantity="thing" required :error="wrong(index, `inner.${s.key}`)" @update:model-value="change(index, { inner: { ...c.inner, [s.key]: $event ?? 0 } })" />
      <NumberField v-if="c.sort === 'sleeve'" :model-value="c.screen_in ?? null" label="Screens up to" unit="in" :error="wrong(index, 'screen_in')" @update:model-value="change(index, { screen_in: $event })" />
      <template v-else>
        <VCheckbox :model-value="c.divided" label="Dividers" @update:model-value="change(index, { divided: Boolean($event) })" />
        <NumberField v-if="c.divided" :model-value="c.dividers ?? null" label="Dividers supplied" :error="wrong(index, 'dividers')" @update:model-value="change(index, { dividers: whole($event) })" />
      </template>
      <button type="button" class="link" @click="remove(index)">remove</button>
    </div>
    <button type="button" class="link" :disabled="(draft.compartments?.length ?? 0) >= 12" @click="add">Add a space</button>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
legend {
  font-weight: 700;
  padding: 0 0 8px;
}
.sides,
.space {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
.space {
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
}
.count {
  max-width: 220px;
}
.link {
  justify-self: start;
  align-self: center;
}
</style>
