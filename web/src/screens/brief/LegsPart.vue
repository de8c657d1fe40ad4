<script setup lang="ts">
/** The stretches of the journey and whose rules hold on each. */
import { computed } from 'vue'
import type { CarrierDoc, Leg } from '@/api/types'
import { useCarriers } from '@/composables/useCarriers'
import { notify } from '@/composables/useNotice'
import { idFrom } from '@/screens/trips/new-trip'

const props = defineProps<{ carriers: CarrierDoc[]; theirs?: boolean; errors: Record<string, string> }>()
const { patterns, add: addCarrier } = useCarriers()
const PATTERN = 'pattern '
const legs = defineModel<Leg[]>({ required: true })
const options = computed(() => [{ title: 'no limits', value: null as string | null }, ...props.carriers.map((d) => ({ title: d.carrier.name, value: d.carrier.id as string | null })), ...unused.value.map((c) => ({ title: `${c.name} (a common pattern)`, value: (PATTERN + c.id) as string | null }))])
/** Common patterns that are not among one's own carriers: choosing one adds it there. Not to another's. */
const unused = computed(() => (props.theirs ? [] : (patterns.value ?? [])).filter((c) => !props.carriers.some((d) => d.carrier.name === c.name)))
async function choose(index: number, value: string | null): Promise<void> {
  if (!value?.startsWith(PATTERN)) return replace(index, { carrier: value })
  const pattern = unused.value.find((c) => PATTERN + c.id === value)
  if (!pattern) return
  try {
    const made = await addCarrier.mutateAsync({ ...pattern, id: 'new' })
    replace(index, { carrier: made.carrier.id })
  } catch (problem) {
    notify(problem as Error)
  }
}

function replace(index: number, change: Partial<Leg>): void {
  legs.value = legs.value.map((leg, i) => (i === index ? { ...leg, ...change } : leg))
}
function add(): void {
  legs.value = [...legs.value, { id: idFrom('leg', legs.value.map((leg) => leg.id)), name: `Leg ${legs.value.length + 1}`, carrier: null, on: null }]
}
</script>

<template>
  <section aria-label="Legs">
    <header class="top">
      <h2>Legs <span class="quiet">each stretch of the journey, and its carrier’s rules</span></h2>
      <button type="button" class="link" @click="add">add a leg</button>
    </header>
    <div v-for="(leg, index) in legs" :key="leg.id" class="line">
      <span class="label number">{{ index + 1 }}</span>
      <VTextField :model-value="leg.name" label="Leg" maxlength="80" :error-messages="errors[`legs.${index}.name`]" @update:model-value="replace(index, { name: String($event ?? '') })" />
      <VSelect :model-value="leg.carrier ?? null" :items="options" label="Carrier" :error-messages="errors[`legs.${index}.carrier`]" @update:model-value="choose(index, $event)" />
      <VTextField class="on" type="date" :model-value="leg.on ?? ''" label="On" :error-messages="errors[`legs.${index}.on`]" @update:model-value="replace(index, { on: String($event ?? '') || null })" />
      <button type="button" class="link quiet" :aria-label="`Remove ${leg.name}`" @click="legs = legs.filter((_, i) => i !== index)">remove</button>
    </div>
    <p v-if="!carriers.length && !theirs" class="label">No carriers of your own yet: pick a common pattern here, or enter rules under <RouterLink :to="{ name: 'rules' }">Rules</RouterLink>.</p>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 8px;
}
.line {
  display: grid;
  grid-template-columns: 10px minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 8px;
  align-items: baseline;
  margin-bottom: 14px;
}
.on {
  grid-column: 2;
  grid-row: 2;
}
.number {
  width: 10px;
}
</style>
