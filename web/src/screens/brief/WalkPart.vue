<script setup lang="ts">
/** A goal on foot: how far, how high, for which light, and when to be home; how somebody walks. */
import { ref } from 'vue'
import type { Pace, Walk } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { GOAL } from '@/wording/walking'

const props = defineProps<{ errors: (field: string) => string }>()
const walk = defineModel<Walk | null>({ required: true })
const pace = defineModel<Pace>('pace', { required: true })
const GOALS = (Object.keys(GOAL) as NonNullable<Walk['goal']>[]).map((value) => ({ value, title: GOAL[value] }))
const FRESH: Walk = { km: 4, up_m: 200, down_m: 0, goal: 'sunrise', at: null, early_min: 30, stay_h: 1, refills: 0, hot: false, home_by: null }
const pacing = ref(false)
function change(made: Partial<Walk>): void {
  walk.value = { ...FRESH, ...walk.value, ...made }
}
/** A clock that is cleared is none. */
const clock = (typed: unknown): string | null => String(typed ?? '') || null
const PACES = [
  { key: 'km_h', label: 'On the flat', unit: 'km/h' },
  { key: 'up_m_h', label: 'Climb in an hour', unit: 'm' },
  { key: 'gentle_min', label: 'Gentle descent, less', unit: 'min / 300 m' },
  { key: 'steep_min', label: 'Steep descent, more', unit: 'min / 300 m' },
  { key: 'load_slows', label: 'Load slows by', unit: '' },
  { key: 'water_l_h', label: 'Water an hour', unit: 'l' },
  { key: 'hot_water_l_h', label: 'Water an hour, in heat', unit: 'l' },
  { key: 'food_g', label: 'Food a day', unit: 'g' },
] as const
const error = (field: string): string => props.errors(`walk.${field}`)
</script>

<template>
  <div class="walk">
    <button v-if="!walk" type="button" class="link quiet" @click="change({})">a goal on foot, with the clock</button>
    <template v-else>
      <NumberField :model-value="walk.km" label="To the goal" unit="km" required :error="error('km')" @update:model-value="change({ km: $event ?? 0 })" />
      <NumberField :model-value="walk.up_m" label="Up" unit="m" required :error="error('up_m')" @update:model-value="change({ up_m: $event ?? 0 })" />
      <NumberField :model-value="walk.down_m" label="Down on the way" unit="m" required :error="error('down_m')" @update:model-value="change({ down_m: $event ?? 0 })" />
      <VSelect :model-value="walk.goal" :items="GOALS" label="There for" @update:model-value="change({ goal: $event, at: $event === 'clock' ? (walk.at ?? '10:00') : walk.at })" />
      <VTextField v-if="walk.goal === 'clock'" type="time" :model-value="walk.at" label="At" :error-messages="error('at')" @update:model-value="change({ at: clock($event) })" />
      <NumberField :model-value="walk.early_min" label="Set-up time before" unit="min" required :error="error('early_min')" @update:model-value="change({ early_min: $event ?? 0 })" />
      <NumberField :model-value="walk.stay_h" label="Stay" unit="h" required :error="error('stay_h')" @update:model-value="change({ stay_h: $event ?? 0 })" />
      <VTextField type="time" :model-value="walk.home_by" label="Back down by" :error-messages="error('home_by')" @update:model-value="change({ home_by: clock($event) })" />
      <NumberField :model-value="walk.refills" label="Water refills on the way" required :error="error('refills')" @update:model-value="change({ refills: Math.round($event ?? 0) })" />
      <VCheckbox :model-value="walk.hot" label="In the heat" hide-details @update:model-value="change({ hot: Boolean($event) })" />
      <span class="acts">
        <button type="button" class="link quiet" :aria-expanded="pacing" @click="pacing = !pacing">walking pace</button>
        <button type="button" class="link quiet" @click="walk = null">remove the goal</button>
      </span>
      <template v-if="pacing">
        <NumberField v-for="p in PACES" :key="p.key" :model-value="pace[p.key]" :label="p.label" :unit="p.unit" required @update:model-value="pace = { ...pace, [p.key]: $event ?? 0 }" />
        <p class="label">Naismith’s rule with its usual corrections, for the whole trip. Load adds this share of time for each share of body mass over a tenth. Load, water and food are estimates.</p>
      </template>
    </template>
  </div>
</template>

<style scoped>
.walk {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(138px, 1fr));
  gap: 8px 12px;
  align-items: start;
  justify-items: stretch;
}
.walk > button {
  justify-self: start;
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-self: center;
}
.walk > p {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
