<script setup lang="ts">
/** A thing's outline, small. */
import { computed } from 'vue'
import type { Thing } from '@/api/types'
import PictureInside from '@/components/PictureInside.vue'
import { draw } from '@/drawing/shapes'

const props = defineProps<{ thing: Thing }>()
const drawn = computed(() => draw(props.thing))
const SCALE_BOX = 26
const scale = computed(() => Math.min(SCALE_BOX / drawn.value.width, SCALE_BOX / drawn.value.height, 0.2))
</script>

<template>
  <svg :width="drawn.width * scale + 2" :height="drawn.height * scale + 2" :viewBox="`${-1 / scale} ${-1 / scale} ${drawn.width + 2 / scale} ${drawn.height + 2 / scale}`" aria-hidden="true">
    <path v-for="(stroke, index) in drawn.strokes" :key="index" :d="stroke.d" :class="stroke.role" vector-effect="non-scaling-stroke" />
    <PictureInside :thing="thing" :drawn="drawn" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.outline {
  fill: var(--thing);
  stroke: var(--thing-line);
}
.detail,
.dark {
  fill: none;
  stroke: var(--thing-line);
  stroke-opacity: 0.4;
}
</style>
