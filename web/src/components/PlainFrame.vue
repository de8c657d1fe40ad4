<script setup lang="ts">
/** A screen beside the trips: header, then the screen. */
import AppHeader from './AppHeader.vue'
</script>

<template>
  <div class="frame">
    <AppHeader />
    <main id="screen" class="frame-body" tabindex="-1"><slot /></main>
  </div>
</template>
