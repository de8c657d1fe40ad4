<script setup lang="ts">
/** One day: what it asks and how that adds up, what stops, the night's sockets, and its settings. */
import { computed } from 'vue'
import type { Day, Pattern, PowerDay, StorageDay } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import type { Names } from '@/wording/names'
import { isShort } from '@/drawing/stamina'
import * as fmt from '@/format/units'
import { eaterSum, gb, madeSum, pieceName, wh } from '@/wording/stamina'
import NightPlan from './NightPlan.vue'

const props = defineProps<{ power: PowerDay; pictures: StorageDay; patterns: Pattern[]; usual: { mains_h: number; outlets: number }; errors: Record<string, string>; index: number; names: Names }>()
const day = defineModel<Day>('day', { required: true })
const night = computed(() => day.value.night ?? { ...props.usual, car_h: 0 })
const options = computed(() => props.patterns.map((p) => ({ title: p.name, value: p.id })))
const error = (field: string): string => props.errors[`days.${props.index}.${field}`] ?? ''
const sums = computed(() => props.power.types.flatMap((type) => type.loads.map((eater) => eaterSum(eater, props.names.thing))))
const used = computed(() => props.power.packs.filter((p) => p.order !== null || p.topped_up_wh > 0 || p.charged_wh > 0))

function setNight(change: Partial<NonNullable<Day['night']>>): void {
  day.value = { ...day.value, night: { ...night.value, ...change } }
}
</script>

<template>
  <div>
    <div class="line">
      <VSelect :model-value="day.pattern ?? (patterns.some((p) => p.id === 'full') ? 'full' : patterns[0]?.id)" :items="options" label="Day type" @update:model-value="day = { ...day, pattern: $event }" />
      <NumberField class="short" :model-value="night.mains_h" label="Mains" unit="h" required :error="error('night.mains_h')" @update:model-value="setNight({ mains_h: $event ?? 0 })" />
      <NumberField class="short" :model-value="night.outlets" label="Outlets" required :error="error('night.outlets')" @update:model-value="setNight({ outlets: Math.round($event ?? 0) })" />
      <NumberField class="short" :model-value="night.car_h" label="Car, boat" unit="h" required :error="error('night.car_h')" @update:model-value="setNight({ car_h: $event ?? 0 })" />
    </div>
    <p v-if="!day.night" class="label">This night is not set yet. Assumed: {{ usual.mains_h ? `${usual.mains_h} h of ${usual.outlets} outlets` : 'no mains' }}.</p>
    <h2>Power the day needs <span class="quiet">{{ fmt.percent(power.usable_cold) }} usable outside, {{ fmt.percent(power.usable_warm) }} in a pocket</span></h2>
    <table>
      <thead><tr><th>battery</th><th>used by</th><th class="number">needs</th><th class="number">ready</th><th class="number">spare</th></tr></thead>
      <tbody>
        <tr v-for="type in power.types" :key="type.type" :class="{ bad: isShort(type) }">
          <td>{{ names.thing(type.type) }}</td>
          <td class="label"><template v-for="(e, i) in type.loads" :key="e.item + i">{{ i ? ' + ' : '' }}{{ e.item === type.type ? fmt.percent(e.charges) : `${names.thing(e.item)} ${fmt.figure(e.charges, 2)}×` }}</template></td>
          <td class="number">{{ wh(type.need_wh) }}</td>
          <td class="number">{{ wh(type.ready_wh) }}</td>
          <td class="number">{{ type.bare ? 'none loaded' : type.margin === null ? '' : type.margin < 0 ? `▲ ${fmt.percent(type.got_wh / type.need_wh)} met` : fmt.percent(type.margin) }}</td>
        </tr>
      </tbody>
    </table>
    <details>
      <summary class="quiet">How this adds up</summary>
      <p v-for="sum in sums" :key="sum" class="label">{{ sum }}.</p>
    </details>
    <h2 class="second">Battery by battery <span class="quiet">in Wh: morning − used − lost to the cold = evening, + charged overnight</span></h2>
    <table v-if="used.length">
      <thead><tr><th>battery</th><th class="number">morning</th><th class="number">used</th><th class="number">cold</th><th class="number">by day</th><th class="number">evening</th><th class="number">night</th></tr></thead>
      <tbody>
        <tr v-for="p in used" :key="String(p.pack)">
          <td>{{ pieceName(p.pack, names.thing) }}</td>
          <td class="number">{{ fmt.figure(p.start_wh, 1) }}</td>
          <td class="number">{{ fmt.figure(p.drawn_wh, 1) }}</td>
          <td class="number">{{ fmt.figure(p.cold_wh, 1) }}</td>
          <td class="number">{{ p.topped_up_wh ? `+${fmt.figure(p.topped_up_wh, 1)}` : '' }}</td>
          <td class="number">{{ fmt.figure(p.evening_wh, 1) }}</td>
          <td class="number">{{ p.charged_wh ? `+${fmt.figure(p.charged_wh, 1)}` : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">No battery is used.</p>
    <h2 class="second">The night's sockets</h2>
    <NightPlan :day="power" :names="names" />
    <h2 class="second">Pictures</h2>
    <p v-for="(made, i) in pictures.made" :key="made.body + i">{{ names.thing(made.body) }}: {{ madeSum(made) }}.</p>
    <p v-for="use in pictures.cards" :key="`${use.card} ${use.slot}`" class="label">{{ pieceName(use.card, names.thing) }} in slot {{ use.slot }} of {{ names.thing(use.body) }}: {{ gb(use.held_gb) }} of {{ gb(use.capacity_gb) }}.</p>
    <p v-for="copy in pictures.copying" :key="`${copy.to} ${copy.through}`" class="label">To {{ pieceName(copy.to, names.thing, 1) }} through {{ names.thing(copy.through) }}: {{ gb(copy.gb) }} in {{ fmt.figure(copy.minutes) }} min.</p>
    <p v-if="pictures.erased.length" class="label">Erased and blank again: {{ pictures.erased.map((c) => pieceName(c, names.thing)).join(', ') }}.</p>
  </div>
</template>

<style scoped>
td,
th {
  padding: 3px 6px 3px 0;
}
.line {
  display: flex;
  gap: 8px;
  margin: 2px 0 12px;
}
.short {
  flex: 0 0 76px;
}
.second {
  margin-top: 12px;
}
summary {
  cursor: pointer;
  margin-top: 4px;
}
.bad td {
  color: var(--rust);
  font-weight: 600;
}
p {
  margin: 3px 0;
}
</style>
