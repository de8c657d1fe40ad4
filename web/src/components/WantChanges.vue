<script setup lang="ts">
/** What a change of the kit does to each want it touches, and what that makes in points of the brief. */
import { computed } from 'vue'
import type { Trip, WantChange } from '@/api/types'
import type { Names } from '@/wording/names'
import * as fmt from '@/format/units'

const props = defineProps<{ changes: WantChange[]; wants: NonNullable<Trip['wants']>; names: Names }>()
const weights = computed(() => {
  const whole = props.wants.reduce((sum, w) => sum + (w.importance ?? 3), 0)
  return new Map(props.wants.map((w) => [w.id, (w.importance ?? 3) / Math.max(1, whole)]))
})
function points(change: WantChange): number {
  return 100 * (change.after - change.before) * (weights.value.get(change.want) ?? 0)
}
</script>

<template>
  <table v-if="changes.length">
    <thead><tr><th>shot</th><th class="number">met now</th><th class="number">then</th><th class="number">importance</th><th class="number">% of brief</th></tr></thead>
    <tbody>
      <tr v-for="change in changes" :key="change.want">
        <td>{{ names.want(change.want) }}</td>
        <td class="number">{{ fmt.percent(change.before) }}</td>
        <td class="number">{{ fmt.percent(change.after) }}</td>
        <td class="number">{{ fmt.percent(weights.get(change.want) ?? 0) }}</td>
        <td class="number">{{ points(change) < 0 ? '−' : '+' }}{{ fmt.figure(Math.abs(points(change)), 1) }}</td>
      </tr>
    </tbody>
  </table>
  <p v-else class="quiet">No shot changes by half a per cent.</p>
</template>

<style scoped>
td,
th {
  padding: 3px 8px 3px 0;
}
p {
  margin: 4px 0;
}
</style>
