<script setup lang="ts">
/** Worth of each step: for each thing of the choice, along which stretch of the curve it comes along. */
import { computed } from 'vue'
import type { Point, Thing } from '@/api/types'
import { spans } from '@/drawing/curve'

const props = defineProps<{ points: Point[]; things: Map<string, Thing>; chosen: number }>()
const emit = defineEmits<{ choose: [index: number] }>()
const ROWS = 12
const kits = computed(() => props.points.map((p) => new Set(p.kit.entries?.map((e) => e.item))))
const rows = computed(() => {
  const all = new Set(kits.value.flatMap((kit) => [...kit]))
  return [...all]
    .filter((item) => kits.value.some((kit) => !kit.has(item)))
    .map((item) => ({ item, name: props.things.get(item)?.name ?? item, mass: props.things.get(item)?.mass_g ?? 0, runs: spans(kits.value, item) }))
    .sort((a, b) => b.mass - a.mass)
    .slice(0, ROWS)
    .sort((a, b) => (a.runs[0]?.from ?? 0) - (b.runs[0]?.from ?? 0))
})
function left(index: number): string {
  return `${(100 * index) / Math.max(1, props.points.length)}%`
}
</script>

<template>
  <div class="steps" role="table" aria-label="Worth of each step">
    <div v-for="row in rows" :key="row.item" class="row" role="row">
      <span class="name label" role="rowheader">{{ row.name }}</span>
      <span class="bars" role="cell">
        <button
          v-for="run in row.runs"
          :key="run.from"
          type="button"
          class="bar"
          :style="{ left: left(run.from), width: left(run.to - run.from + 1) }"
          :aria-label="`${row.name} from step ${run.from + 1} to ${run.to + 1}`"
          @click="emit('choose', run.from)"
        />
        <i class="here" :style="{ left: left(chosen + 0.5) }" />
      </span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 10px;
  height: 17px;
}
.name {
  flex: 0 0 150px;
  text-align: right;
  color: var(--ink);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.bars {
  position: relative;
  flex: 1;
  height: 100%;
}
.bar {
  position: absolute;
  top: 3px;
  height: 11px;
  border: 0;
  padding: 0;
  background: var(--saddle);
  cursor: pointer;
}
.row:nth-child(even) .bar {
  background: var(--tan);
}
.here {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--ink);
}
</style>
