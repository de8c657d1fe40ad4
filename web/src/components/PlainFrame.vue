<script setup lang="ts">
/** A screen beside the trips: header, then the screen. */
import AppHeader from './AppHeader.vue'
</script>

<template>
  <div class="frame">
    <AppHeader />
    <main id="screen" class="body" tabindex="-1"><slot /></main>
  </div>
</template>

<style scoped>
.frame {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.body {
  flex: 1;
  min-height: 0;
}
</style>
