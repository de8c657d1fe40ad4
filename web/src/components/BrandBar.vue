<script setup lang="ts">
/** The bar on top of screens outside of the app's stations; whatever else belongs there goes into its slot. */
import MuleMark from './MuleMark.vue'
</script>

<template>
  <header class="top"><MuleMark class="mark" /><b>narrow mule</b><slot /></header>
</template>

<style scoped>
.top {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 12px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.mark {
  color: var(--saddle);
}
</style>
