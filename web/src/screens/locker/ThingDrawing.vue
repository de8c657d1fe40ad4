<script setup lang="ts">
/** A thing's outline, or its picture within it, small. side: of the square it stands in, in pixels. */
import { computed } from 'vue'
import type { Thing } from '@/api/types'
import PictureInside from '@/components/PictureInside.vue'
import { draw } from '@/drawing/shapes'

const props = withDefaults(defineProps<{ thing: Thing; side?: number }>(), { side: 26 })
const drawn = computed(() => draw(props.thing))
/** The longest side that is drawn as large as there is room: what is smaller looks smaller, too. */
const SMALL_MM = 130
const scale = computed(() => props.side / Math.max(drawn.value.width, drawn.value.height, SMALL_MM))
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
