<script setup lang="ts">
/** How this trip is packed: the schools the photographer picks, and what must come or stay. */
import { computed } from 'vue'
import type { Marks, Policies, Thing } from '@/api/types'
import { idFrom } from '@/screens/trips/new-trip'

const props = defineProps<{ things: Map<string, Thing>; errors: Record<string, string> }>()
const policies = defineModel<Policies>('policies', { required: true })
const marks = defineModel<Marks>('marks', { required: true })

const LENSES = [
  { title: 'whatever covers most', value: 'any' },
  { title: 'one zoom', value: 'one-zoom' },
  { title: 'a trio of zooms', value: 'trio-of-zooms' },
  { title: 'primes only', value: 'primes' },
]
const BODIES = [
  { title: 'whatever covers most', value: 'any' },
  { title: 'none', value: 'none' },
  { title: 'same as the first', value: 'twin' },
  { title: 'a different one', value: 'specialist' },
]
const GAPS = [
  { title: 'allowed', value: 'allowed' },
  { title: 'none', value: 'refused' },
]
const CABIN = [
  { title: 'keep every limit', value: 'comply' },
  { title: 'keep the size, risk the weight', value: 'light-looking' },
]
const options = computed(() => [...props.things.values()].map((t) => ({ title: t.name, value: t.id })))

function policy(change: Partial<Policies>): void {
  policies.value = { ...policies.value, ...change }
}
function mark(change: Partial<Marks>): void {
  marks.value = { ...marks.value, ...change }
}
const slots = computed(() => marks.value.slots ?? [])
function slot(index: number, change: Partial<NonNullable<Marks['slots']>[number]>): void {
  mark({ slots: slots.value.map((s, i) => (i === index ? { ...s, ...change } : s)) })
}
function addSlot(): void {
  const [first, second] = options.value
  if (!first || !second) return
  mark({ slots: [...slots.value, { id: idFrom('slot', slots.value.map((s) => s.id)), name: 'This or that', items: [first.value, second.value] }] })
}
</script>

<template>
  <section aria-label="How you pack">
    <header class="top"><h2>How you pack <span class="quiet">there is no one right way</span></h2></header>
    <div class="two">
      <VSelect :model-value="policies.lenses" :items="LENSES" label="Lenses" @update:model-value="policy({ lenses: $event })" />
      <VSelect :model-value="policies.second_body" :items="BODIES" label="Second body" @update:model-value="policy({ second_body: $event })" />
      <VSelect :model-value="policies.gaps" :items="GAPS" label="Gaps in a shot" @update:model-value="policy({ gaps: $event })" />
      <VSelect :model-value="policies.cabin" :items="CABIN" label="At the gate" @update:model-value="policy({ cabin: $event })" />
    </div>
    <VAutocomplete menu-icon="" class="marks" :model-value="marks.must_take" :items="options" multiple label="Always take" :error-messages="errors['marks.must_take']" @update:model-value="mark({ must_take: $event })" />
    <VAutocomplete menu-icon="" class="marks" :model-value="marks.must_leave" :items="options" multiple label="Leave at home" :error-messages="errors['marks.must_leave']" @update:model-value="mark({ must_leave: $event })" />
    <div v-for="(one, index) in slots" :key="one.id" class="line">
      <VTextField class="name" :model-value="one.name" label="Group name" maxlength="80" :error-messages="errors[`marks.slots.${index}.name`]" @update:model-value="slot(index, { name: String($event ?? '') })" />
      <VAutocomplete menu-icon="" :model-value="one.items" :items="options" multiple label="Take only one of" :error-messages="errors[`marks.slots.${index}.items`]" @update:model-value="slot(index, { items: $event })" />
      <button type="button" class="link quiet" :aria-label="`Remove ${one.name}`" @click="mark({ slots: slots.filter((_, i) => i !== index) })">remove</button>
    </div>
    <button type="button" class="link quiet" @click="addSlot">add a group to take only one of</button>
  </section>
</template>

<style scoped>
.top {
  margin-bottom: 8px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.marks {
  margin-top: 10px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
  margin-top: 10px;
}
.name {
  flex: 0 0 130px;
}
</style>
