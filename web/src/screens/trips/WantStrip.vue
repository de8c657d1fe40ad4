<script setup lang="ts">
/** The wants of a trip as bands on one focal axis, small. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Want } from '@/api/types'
import { focalAxis } from '@/drawing/axis'
import * as fmt from '@/format/units'

const props = defineProps<{ wants: Want[] }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const ROW = 13
const axis = computed(() => focalAxis(props.wants.flatMap((w) => [w.focal_min_mm, w.focal_max_mm]), 4, Math.max(120, width.value) - 4))
const height = computed(() => Math.max(1, props.wants.length) * ROW + 18)
</script>

<template>
  <div ref="box">
    <svg v-if="width && wants.length" :width="width" :height="height" role="img" :aria-label="`Shots: ${wants.map((w) => `${w.name} ${fmt.focalRange(w.focal_min_mm, w.focal_max_mm)}`).join('; ')}`">
      <line v-for="tick in axis.ticks" :key="tick.mm" :x1="tick.x" :x2="tick.x" y1="0" :y2="height - 16" class="grid" />
      <g v-for="(want, index) in wants" :key="want.id">
        <title>{{ want.name }}, {{ fmt.focalRange(want.focal_min_mm, want.focal_max_mm) }}</title>
        <rect :x="axis.x(want.focal_min_mm)" :y="index * ROW + 2" :width="Math.max(4, axis.x(want.focal_max_mm) - axis.x(want.focal_min_mm))" :height="ROW - 4" :style="{ fill: `var(--want-${(index % 6) + 1})` }" />
      </g>
      <text v-for="tick in axis.ticks" :key="`t${tick.mm}`" :x="tick.x" :y="height - 3" text-anchor="middle">{{ tick.mm }}</text>
    </svg>
    <span v-else-if="!wants.length" class="quiet">no shots yet</span>
  </div>
</template>

<style scoped>
svg {
  display: block;
}
.grid {
  stroke: var(--line);
}
text {
  fill: var(--muted);
  font-size: var(--text-tiny);
  font-stretch: var(--narrow);
}
</style>
