<script setup lang="ts">
/** How much something weighs, by shape as well as colour: a diamond stops it, a triangle is to be looked at, a dot is good to know. */
import type { Finding } from '@/api/types'

withDefaults(defineProps<{ severity: Finding['severity']; side?: number }>(), { side: 12 })
</script>

<template>
  <svg :class="severity" :width="side" :height="side" viewBox="-6 -6 12 12">
    <rect v-if="severity === 'blocker'" x="-4" y="-4" width="8" height="8" transform="rotate(45)" />
    <path v-else-if="severity === 'caution'" d="M0 -5.500L5.800 4.500H-5.800z" />
    <circle v-else r="4" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  fill: var(--muted);
}
.blocker {
  fill: var(--rust);
}
.caution {
  fill: var(--ochre);
}
</style>
