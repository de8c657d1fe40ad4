<script setup lang="ts">
/** What pictures of before say: one row a subject, with its focal lengths, f-numbers and hours; picked ones become wants. */
import { computed } from 'vue'
import type { PastWant } from '@/api/types'
import { focalAxis } from '@/drawing/axis'
import * as fmt from '@/format/units'
import { hourBars, hoursSay } from '@/pictures/past'
import { many } from '@/wording/parts'

const props = defineProps<{ past: PastWant[] }>()
const picked = defineModel<string[]>('picked', { required: true })
const names = defineModel<Record<string, string>>('names', { required: true })
const WIDE = 230
const HIGH = 18
const HOURS = 120
const axis = computed(() => focalAxis(props.past.flatMap((p) => [p.want.focal_min_mm, p.want.focal_max_mm]), 4, WIDE - 4))
function bar(one: PastWant): { x: number; width: number } {
  const x = axis.value.x(one.want.focal_min_mm)
  return { x, width: Math.max(4, axis.value.x(one.want.focal_max_mm) - x) }
}
function pick(id: string, on: boolean): void {
  picked.value = on ? [...picked.value, id] : picked.value.filter((one) => one !== id)
}
</script>

<template>
  <div class="rows">
    <table>
      <thead>
        <tr><th>shot</th><th>focal lengths, full frame</th><th>f-number</th><th>hours, 0 to 24</th><th class="number">occasions</th><th class="number">importance</th></tr>
      </thead>
      <tbody>
        <tr v-for="(one, index) in past" :key="one.want.id">
          <td class="name">
            <input type="checkbox" :checked="picked.includes(one.want.id)" :aria-label="`Take ${one.want.name}`" @change="pick(one.want.id, ($event.target as HTMLInputElement).checked)" />
            <input :value="names[one.want.id] ?? one.want.name" maxlength="80" :aria-label="`Name of ${one.want.name}`" @input="names = { ...names, [one.want.id]: ($event.target as HTMLInputElement).value }" />
          </td>
          <td>
            <svg :width="WIDE" :height="HIGH" role="img" :aria-label="fmt.focalRange(one.want.focal_min_mm, one.want.focal_max_mm)">
              <line v-for="tick in axis.ticks" :key="tick.mm" :x1="tick.x" :x2="tick.x" y1="0" :y2="HIGH" class="tick" />
              <rect :x="bar(one).x" y="4" :width="bar(one).width" :height="HIGH - 8" :style="{ fill: `var(--want-${(index % 6) + 1})` }" />
            </svg>
            <span class="label">{{ fmt.focalRange(one.want.focal_min_mm, one.want.focal_max_mm) }}</span>
          </td>
          <td>{{ one.f_numbers ? fmt.fNumber(one.f_numbers[0]) : '' }} <span v-if="one.f_numbers && one.f_numbers[1] !== one.f_numbers[0]" class="quiet">mostly {{ fmt.fNumber(one.f_numbers[1]) }}</span></td>
          <td>
            <svg :width="HOURS" :height="HIGH" role="img" :aria-label="hoursSay(one.hours)"><title>{{ hoursSay(one.hours) }}</title>
              <rect v-for="h in hourBars(one.hours, HOURS, HIGH)" :key="h.x" :x="h.x" :y="h.y" :width="h.width" :height="h.height" class="hour" />
              <line x1="0" :x2="HOURS" :y1="HIGH - 0.5" :y2="HIGH - 0.5" class="tick" />
            </svg>
          </td>
          <td class="number"><span :title="many(one.frames, 'picture')">{{ one.occasions }}</span> <span class="quiet">· {{ fmt.percent(one.share) }}</span></td>
          <td class="number">{{ one.want.importance }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.rows {
  max-height: 330px;
  overflow: auto;
}
table {
  width: 100%;
}
td,
th {
  padding: 2px 14px 2px 0;
  white-space: nowrap;
}
.name {
  display: flex;
  gap: 8px;
  align-items: center;
}
.name input:not([type]) {
  width: 190px;
}
svg {
  vertical-align: middle;
  margin-right: 8px;
}
.tick {
  stroke: var(--line);
}
.hour {
  fill: var(--ink);
  fill-opacity: 0.65;
}
</style>
