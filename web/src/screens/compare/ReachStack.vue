<script setup lang="ts">
/** Native reach of each kit over one focal axis, wants as bands behind. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Side, Trip } from '@/api/types'
import { focalAxis } from '@/drawing/axis'
import * as fmt from '@/format/units'

const props = defineProps<{ sides: Side[]; trip: Trip }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const LEFT = 36
const LANE = 9
const wants = computed(() => props.trip.wants ?? [])
const axis = computed(() =>
  focalAxis(
    [...wants.value.flatMap((w) => [w.focal_min_mm, w.focal_max_mm]), ...props.sides.flatMap((s) => s.reach.flatMap((r) => r.bars.flatMap((b) => [b.from_mm, b.to_mm])))],
    LEFT,
    Math.max(LEFT + 200, width.value) - 8,
  ),
)
const rows = computed(() => {
  let y = 8
  return props.sides.map((side) => {
    const bars = side.reach.flatMap((row) => row.bars.filter((b) => b.how !== 'crop-mode')).map((b, i) => ({ ...b, y: y + i * LANE }))
    const row = { side, y, bars, height: Math.max(1, bars.length) * LANE + 8 }
    y += row.height + 6
    return row
  })
})
const bottom = computed(() => (rows.value.at(-1)?.y ?? 0) + (rows.value.at(-1)?.height ?? 20))
</script>

<template>
  <div ref="box">
    <svg v-if="width" :width="width" :height="bottom + 22" role="img" aria-label="Reach of the kits over each other; the table below has the figures">
      <rect v-for="(want, index) in wants" :key="want.id" :x="axis.x(want.focal_min_mm)" y="0" :width="Math.max(3, axis.x(want.focal_max_mm) - axis.x(want.focal_min_mm))" :height="bottom" :style="{ fill: `var(--want-${(index % 6) + 1})` }" class="band"><title>{{ want.name }}</title></rect>
      <g v-for="row in rows" :key="row.side.kit">
        <line :x1="0" :x2="width" :y1="row.y - 4" :y2="row.y - 4" class="rule" />
        <text x="4" :y="row.y + 14" class="kit">{{ row.side.kit.toUpperCase() }}</text>
        <rect v-for="(bar, i) in row.bars" :key="i" :x="axis.x(bar.from_mm)" :y="bar.y" :width="Math.max(5, axis.x(bar.to_mm) - axis.x(bar.from_mm))" height="6" :class="bar.how"><title>{{ fmt.focalRange(bar.from_mm, bar.to_mm) }}</title></rect>
      </g>
      <g v-for="tick in axis.ticks" :key="tick.mm">
        <line :x1="tick.x" :x2="tick.x" y1="0" :y2="bottom" class="grid" />
        <text :x="tick.x" :y="bottom + 15" text-anchor="middle">{{ tick.mm }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
svg {
  display: block;
}
text {
  font-stretch: var(--narrow);
  font-size: var(--text-small);
  fill: var(--muted);
}
.kit {
  fill: var(--ink);
  font-weight: 700;
}
.band {
  fill-opacity: 0.16;
}
.grid,
.rule {
  stroke: var(--line);
}
.grid {
  stroke-dasharray: 1 4;
}
.native {
  fill: var(--ink);
}
.converter {
  fill: var(--saddle);
}
</style>
