<script setup lang="ts">
/** One face of a packed thing: its outline, the pattern of its kind, its name where that fits, a pin where it is pinned. */
import { computed } from 'vue'
import type { Feature } from '@/drawing/dividers'
import type { Face } from '@/drawing/stow'

const props = defineProps<{ face: Face; group: string; pinned: boolean; features: Feature[]; deep: boolean }>()
const LINE = 13
const middle = computed(() => ({ x: props.face.x + props.face.width / 2, y: props.face.y + props.face.height / 2 }))
const radius = computed(() => Math.min(props.face.width, props.face.height) / 2)
</script>

<template>
  <template v-for="layer in deep ? ['shape'] : ['shape', 'hatch']" :key="layer">
    <ellipse v-if="face.circle" :class="layer === 'shape' ? ['shape', group] : 'hatch'" :fill="layer === 'hatch' ? `url(#kind-${group})` : undefined" :cx="middle.x" :cy="middle.y" :rx="radius" :ry="radius" />
    <rect v-else :class="layer === 'shape' ? ['shape', group] : 'hatch'" :fill="layer === 'hatch' ? `url(#kind-${group})` : undefined" :x="face.x" :y="face.y" :width="face.width" :height="face.height" rx="2" />
  </template>
  <path v-for="(feature, index) in features" :key="`f${index}`" class="feature" :class="feature.role" :d="feature.d" :transform="feature.transform || undefined" />
  <ellipse v-if="deep && face.circle" class="under" fill="url(#kind-deep)" :cx="middle.x" :cy="middle.y" :rx="radius" :ry="radius" />
  <rect v-else-if="deep" class="under" fill="url(#kind-deep)" :x="face.x" :y="face.y" :width="face.width" :height="face.height" rx="2" />
  <text v-for="(text, index) in face.label" :key="text + index" class="name" aria-hidden="true" :x="face.labelAt.x" :y="face.labelAt.y + 4 + (index - (face.label.length - 1) / 2) * LINE">{{ `${text} ` }}</text>
  <circle v-if="pinned" class="pin" :cx="face.x + 8" :cy="face.y + 8" r="3.500" />
</template>

<style scoped>
.shape {
  fill: var(--thing);
}
.power {
  fill: var(--thing-power);
}
.cards {
  fill: var(--thing-cards);
}
.hatch {
  pointer-events: none;
}
.feature {
  fill: none;
  stroke: var(--thing-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  opacity: 0.34;
  pointer-events: none;
}
.under {
  pointer-events: none;
}
.name {
  fill: var(--thing-ink);
  font-size: var(--text-small);
  font-stretch: var(--narrow);
  text-anchor: middle;
  pointer-events: none;
}
.pin {
  fill: var(--foot-over);
  stroke: var(--thing-line);
}
</style>
