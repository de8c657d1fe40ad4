<script setup lang="ts">
/** A thing's own picture within its outline, to scale with it. Where it cannot be had, the drawing stands for it. */
import { computed, ref, useId, watch } from 'vue'
import type { Thing } from '@/api/types'
import type { Drawn } from '@/drawing/shapes'
import { pictureAt } from '@/composables/usePictures'

const props = defineProps<{ thing: Thing; drawn: Drawn }>()
const clip = useId()
const lost = ref(false)
const edges = computed(() => props.drawn.strokes.filter((stroke) => stroke.role === 'outline'))
watch(
  () => props.thing.picture,
  () => (lost.value = false),
)
</script>

<template>
  <g v-if="thing.picture && !lost" class="picture">
    <clipPath :id="clip"><path v-for="(edge, index) in edges" :key="index" :d="edge.d" /></clipPath>
    <image :href="pictureAt(thing.picture)" :width="drawn.width" :height="drawn.height" preserveAspectRatio="xMidYMid slice" :clip-path="`url(#${clip})`" @error="lost = true" />
  </g>
</template>

<style scoped>
/* Eyes used to the dark stay so: in red light the drawings stand for the pictures. */
[data-theme='red'] .picture {
  display: none;
}
[data-theme='night'] .picture {
  filter: brightness(0.8);
}
</style>
