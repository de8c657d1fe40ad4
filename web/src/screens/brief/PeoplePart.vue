<script setup lang="ts">
/** Who carries, and what each carries that is not photography. */
import type { BaseLoad, Person, Trip } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { parts } from '@/screens/locker/fields'
import { idFrom } from '@/screens/trips/new-trip'

const props = defineProps<{ errors: Record<string, string> }>()
const people = defineModel<Person[]>({ required: true })
const sets = defineModel<Trip['sets']>('sets', { required: true })
const error = (path: string): string => props.errors[`people.${path}`] ?? ''

function replace(index: number, change: Partial<Person>): void {
  people.value = people.value.map((p, i) => (i === index ? { ...p, ...change } : p))
}
function set(index: number, change: Partial<Trip['sets'][number]>): void {
  sets.value = sets.value.map((s, i) => (i === index ? { ...s, ...change } : s))
}
function add(): void {
  people.value = [...people.value, { id: idFrom('person', people.value.map((p) => p.id)), name: 'Somebody', body_mass_kg: null, carries_well_kg: null, base_load: [] }]
}
/** What a base load counts as on a day on foot. */
const COUNTS_AS = [
  { value: 'water', title: 'Water' },
  { value: 'food', title: 'Food' },
  { value: 'other', title: 'Something else' },
]
const READY: Record<'water' | 'food' | 'anything else', BaseLoad> = {
  water: { name: 'Water', mass_g: 1000, purpose: 'water' },
  food: { name: 'Food', mass_g: 800, purpose: 'food' },
  'anything else': { name: 'Shelter', mass_g: 1500, purpose: 'other' },
}
function loads(index: number) {
  return people.value[index]?.base_load ?? []
}
function load(index: number, at: number, change: Partial<BaseLoad>): void {
  replace(index, { base_load: loads(index).map((l, i) => (i === at ? { ...l, ...change } : l)) })
}
</script>

<template>
  <section aria-label="People">
    <header class="top"><h2>People</h2><button type="button" class="link" @click="add">add a person</button></header>
    <p v-if="errors.people" class="wrong" role="alert">{{ errors.people }}</p>
    <div v-for="(person, index) in people" :key="person.id" class="person">
      <div class="line">
        <VTextField class="who" :model-value="person.name" label="Name" maxlength="80" :error-messages="error(`${index}.name`)" @update:model-value="replace(index, { name: String($event ?? '') })" />
        <NumberField class="mass" :model-value="person.body_mass_kg" label="Body mass" quantity="body" :error="error(`${index}.body_mass_kg`)" @update:model-value="replace(index, { body_mass_kg: $event ?? null })" />
        <NumberField class="mass" :model-value="person.carries_well_kg" label="Comfortable load" quantity="body" :error="error(`${index}.carries_well_kg`)" @update:model-value="replace(index, { carries_well_kg: $event ?? null })" />
        <button type="button" class="link quiet" :aria-label="`Remove ${person.name}`" @click="people = people.filter((_, i) => i !== index)">remove</button>
      </div>
      <div v-for="(one, at) in person.base_load ?? []" :key="at" class="line base">
        <VTextField class="what" :model-value="one.name" label="Also carries" maxlength="80" :error-messages="error(`${index}.base_load.${at}.name`)" @update:model-value="load(index, at, { name: String($event ?? '') })" />
        <button type="button" class="link quiet" :aria-label="`Remove ${one.name}`" @click="replace(index, { base_load: loads(index).filter((_, i) => i !== at) })">remove</button>
        <NumberField class="mass" :model-value="one.mass_g" label="Mass" quantity="load" required :error="error(`${index}.base_load.${at}.mass_g`)" @update:model-value="load(index, at, { mass_g: $event as number })" />
        <VSelect class="counts" :model-value="one.purpose" :items="COUNTS_AS" label="Counts as" @update:model-value="load(index, at, { purpose: $event })" />
      </div>
      <p class="more">
        Also carries: <button v-for="(ready, what) in READY" :key="what" type="button" class="link quiet" :aria-label="`add ${what} for ${person.name}`" @click="replace(index, { base_load: [...loads(index), ready] })">add {{ what }}</button>
      </p>
    </div>
    <h3 class="label sets">One per person</h3>
    <div v-for="(one, index) in sets" :key="one.id" class="line">
      <VTextField class="setname" :model-value="one.name" label="Set" maxlength="80" :error-messages="props.errors[`sets.${index}.name`]" @update:model-value="set(index, { name: String($event ?? '') })" />
      <VTextarea class="uses" rows="1" auto-grow :model-value="one.uses.join(', ')" label="Each person has (commas between)" :error-messages="props.errors[`sets.${index}.uses`]" @change="set(index, { uses: parts(($event.target as HTMLTextAreaElement).value) })" />
      <button type="button" class="link quiet" :aria-label="`Remove ${one.name}`" @click="sets = sets.filter((_, i) => i !== index)">remove</button>
    </div>
    <button type="button" class="link quiet" @click="sets = [...sets, { id: idFrom('set', sets.map((s) => s.id)), name: 'A set', uses: ['helmet'] }]">add a set</button>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 8px;
}
.person {
  margin-bottom: 18px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
  margin-bottom: 8px;
}
.base {
  padding-left: 16px;
}
h3.sets {
  margin: 10px 0 6px;
}
.setname {
  flex: 0 0 130px;
}
.uses {
  flex: 1 1 150px;
}
.mass {
  flex: 0 0 116px;
}
.who {
  flex: 1 1 84px;
}
.what {
  flex: 1 1 70%;
}
.counts {
  flex: 0 0 150px;
}
.more {
  display: flex;
  gap: 10px;
  padding-left: 16px;
  margin: 0 0 8px;
}
@media (max-width: 700px) {
  .who {
    flex-basis: 100%;
  }
}
.wrong {
  color: var(--rust);
  margin: 0 0 8px;
}
</style>
