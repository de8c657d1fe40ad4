<script setup lang="ts">
/** Patterns that tell the groups of things apart without their colours. Optics, power and cards stay plain: they have colours. */
const PATTERNS = {
  filters: 'M0 4h8M4 0v8',
  support: 'M-1 9L9 -1',
  'light-sound': 'M4 0v8',
  carry: 'M0 0L8 8M0 8L8 0',
  safety: 'M0 4h8',
  other: 'M0 0h1M4 4h1',
} as const
</script>

<template>
  <defs>
    <pattern v-for="(d, group) in PATTERNS" :id="`kind-${group}`" :key="group" width="8" height="8" patternUnits="userSpaceOnUse">
      <path :d="d" class="line" />
    </pattern>
    <pattern id="kind-deep" width="7" height="7" patternUnits="userSpaceOnUse"><path d="M-1 1L1 -1M0 7L7 0M6 8L8 6" class="line deep" /></pattern>
    <pattern v-for="group in ['optics', 'power', 'cards']" :id="`kind-${group}`" :key="group" width="8" height="8" patternUnits="userSpaceOnUse" />
  </defs>
</template>

<style scoped>
.line {
  stroke: var(--thing-line);
  stroke-width: 1;
  opacity: 0.22;
  fill: none;
}
.deep {
  opacity: 0.4;
}
</style>
