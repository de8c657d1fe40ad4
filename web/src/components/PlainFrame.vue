<script setup lang="ts">
/** A screen beside the trips: header, then the screen. */
import { usePageTitle } from '@/composables/usePageTitle'
import AppHeader from './AppHeader.vue'

usePageTitle()
</script>

<template>
  <div class="frame">
    <AppHeader />
    <main id="screen" class="frame-body" tabindex="-1"><slot /></main>
  </div>
</template>
