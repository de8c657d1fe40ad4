<script setup lang="ts">
/** The place: where it is and its clock, what comes out of the wall, and what is barred there. */
import { ref, watch } from 'vue'
import type { Base, LocalRule, Trip } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { PLUG_SHAPES } from '@/wording/kinds'

const props = defineProps<{ errors: Record<string, string> }>()
const spot = defineModel<Trip['spot']>('spot', { required: true })
const mains = defineModel<Trip['mains']>('mains', { required: true })
const rules = defineModel<LocalRule[]>('rules', { required: true })
const base = defineModel<Trip['base']>('base', { required: true })
type Spot = NonNullable<Trip['spot']>
const BASES = [
  { title: 'not told', value: '' },
  { title: 'a room', value: 'room' },
  { title: 'a car', value: 'car' },
  { title: 'a boat', value: 'boat' },
  { title: 'a tent', value: 'tent' },
]
// Inside of a usual room safe (estimate).
const SAFE = { shape: 'box', length_mm: 390, width_mm: 300, height_mm: 180 } as const
const SIDES = [
  { key: 'length_mm', label: 'Safe, inside width' },
  { key: 'width_mm', label: 'Safe, inside depth' },
  { key: 'height_mm', label: 'Safe, inside height' },
] as const
const EFFECTS = [
  { title: 'tripods barred', value: 'tripods-barred' },
  { title: 'drones barred', value: 'drones-barred' },
  { title: 'big bags barred', value: 'big-bags-barred' },
]
/** A point needs both: until then what was typed waits here, and a field that is emptied stays empty. */
const half = ref<Partial<Record<keyof Spot, number | null>>>({ ...spot.value })
watch(spot, (now) => now && (half.value = { ...now }))
function place(change: Partial<Record<keyof Spot, number | null | undefined>>): void {
  half.value = { ...half.value, ...change } as typeof half.value
  const { latitude, longitude, utc_offset_h } = half.value
  spot.value = latitude === null || latitude === undefined || longitude === null || longitude === undefined ? null : { latitude, longitude, utc_offset_h: utc_offset_h ?? 0 }
}
function lies(sort: string): void {
  base.value = sort ? { safe: base.value?.safe ?? null, sort: sort as Base['sort'] } : null
}
function wall(shapes: string[], volts: number | null | undefined): void {
  mains.value = shapes.length ? { plugs: shapes, volts: volts ?? 230 } : null
}
function rule(index: number, change: Partial<LocalRule>): void {
  rules.value = rules.value.map((r, i) => (i === index ? { ...r, ...change } : r))
}
function effect(index: number, value: LocalRule['effect']): void {
  rule(index, { effect: value, largest_mm: value === 'big-bags-barred' ? [400, 300, 200] : null })
}
function side(index: number, at: number, mm: number | null | undefined): void {
  const old = rules.value[index]?.largest_mm ?? [400, 300, 200]
  rule(index, { largest_mm: old.map((s, i) => (i === at ? (mm ?? 0) : s)) as [number, number, number] })
}
const error = (field: string): string => props.errors[field] ?? ''
</script>

<template>
  <section aria-label="The place">
    <header class="top"><h2>The place <span class="quiet">light, wall plugs and local rules</span></h2></header>
    <div class="line">
      <NumberField :model-value="half.latitude" label="Latitude" unit="°N" :error="error('spot.latitude')" @update:model-value="place({ latitude: $event })" />
      <NumberField :model-value="half.longitude" label="Longitude" unit="°E" :error="error('spot.longitude')" @update:model-value="place({ longitude: $event })" />
      <NumberField :model-value="half.utc_offset_h" label="Clock, UTC +" unit="h" :error="error('spot.utc_offset_h')" @update:model-value="place({ utc_offset_h: $event })" />
    </div>
    <div class="line">
      <VSelect :model-value="mains?.plugs ?? []" multiple :items="PLUG_SHAPES" label="Wall plugs" placeholder="not known" persistent-placeholder :error-messages="error('mains.plugs')" @update:model-value="wall($event, mains?.volts)" />
      <NumberField class="short" :model-value="mains?.volts" label="Volts" unit="V" :error="error('mains.volts')" @update:model-value="wall(mains?.plugs ?? [], $event)" />
    </div>
    <div class="line">
      <VSelect :model-value="base?.sort ?? ''" :items="BASES" label="Gear left behind stays in" @update:model-value="lies($event)" />
      <VCheckbox v-if="base" :model-value="Boolean(base.safe)" label="with a safe" hide-details @update:model-value="base = { ...base, safe: $event ? SAFE : null }" />
    </div>
    <div v-if="base?.safe" class="line">
      <NumberField v-for="s in SIDES" :key="s.key" :model-value="base.safe[s.key]" :label="s.label" quantity="thing" required :error="error(`base.safe.${s.key}`)" @update:model-value="base = { ...base!, safe: { ...base!.safe!, [s.key]: $event ?? 0 } }" />
    </div>
    <div v-for="(one, index) in rules" :key="index" class="rule">
      <div class="line">
        <VTextField :model-value="one.name" label="Local rule" maxlength="80" :error-messages="error(`local_rules.${index}.name`) || error(`local_rules.${index}`)" @update:model-value="rule(index, { name: String($event ?? '') })" />
        <VSelect :model-value="one.effect" :items="EFFECTS" label="Effect" @update:model-value="effect(index, $event)" />
        <button type="button" class="link quiet" :aria-label="`Remove ${one.name}`" @click="rules = rules.filter((_, i) => i !== index)">remove</button>
      </div>
      <div class="line">
        <VTextField :model-value="one.first_day" type="date" label="From (optional)" @update:model-value="rule(index, { first_day: $event || null })" />
        <VTextField :model-value="one.last_day" type="date" label="To" @update:model-value="rule(index, { last_day: $event || null })" />
      </div>
      <div v-if="one.largest_mm" class="line">
        <NumberField v-for="(mm, at) in one.largest_mm" :key="at" :model-value="mm" :label="['Long', 'Wide', 'High'][at]" quantity="side" required :error="error(`local_rules.${index}.largest_mm.${at}`)" @update:model-value="side(index, at, $event)" />
      </div>
    </div>
    <button type="button" class="link quiet" @click="rules = [...rules, { name: 'Local rule', effect: 'tripods-barred', first_day: null, last_day: null, largest_mm: null, note: '' }]">add a local rule</button>
  </section>
</template>

<style scoped>
.top {
  margin-bottom: 8px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: start;
  margin-bottom: 10px;
}
.short {
  flex: 0 0 100px;
}
</style>
