<script setup lang="ts">
/** Frames over the focal axis, with the kit's reach beneath; a table stands behind it. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { FocalCell } from '@/api/types'
import { histogram } from '@/drawing/histogram'
import * as fmt from '@/format/units'

const props = defineProps<{ cells: FocalCell[] }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const HIGH = 120
const drawn = computed(() => histogram(props.cells, Math.max(200, width.value), HIGH))
const table = ref(false)
</script>

<template>
  <div ref="box">
    <p class="quiet">Frames by focal length, full-frame equivalent; the bar beneath is what the kit reaches. <button type="button" class="link" :aria-pressed="table" @click="table = !table">{{ table ? 'as a picture' : 'as a table' }}</button></p>
    <svg v-if="!table" :width="Math.max(200, width)" :height="HIGH + 34" role="img" aria-label="Frames by focal length over the reach of the kit">
      <rect v-for="b in drawn.bars" :key="b.x" class="bar" :x="b.x" :y="HIGH - b.height" :width="b.width" :height="b.height"><title>{{ b.frames }} frames at {{ fmt.focalRange(b.from_mm, b.to_mm) }}</title></rect>
      <rect v-for="r in drawn.reach" :key="r.x" class="reach" :x="r.x" :y="HIGH + 4" :width="r.width" height="6" />
      <text v-for="t in drawn.ticks" :key="t.mm" class="tick" :x="t.x" :y="HIGH + 28">{{ t.mm }}</text>
    </svg>
    <table v-else>
      <thead><tr><th>equivalent</th><th class="number">frames</th><th>reach</th></tr></thead>
      <tbody><tr v-for="b in drawn.bars" :key="b.x"><td>{{ fmt.focalRange(b.from_mm, b.to_mm) }}</td><td class="number">{{ b.frames }}</td><td>{{ cells.find((c) => c.from_mm === b.from_mm)?.reached ? 'reached' : 'by cropping only' }}</td></tr></tbody>
    </table>
  </div>
</template>

<style scoped>
svg {
  display: block;
}
.bar {
  fill: var(--saddle);
}
.reach {
  fill: var(--moss);
}
.tick {
  fill: var(--muted);
  font-size: var(--text-small);
  text-anchor: middle;
}
p {
  margin: 4px 0;
}
</style>
