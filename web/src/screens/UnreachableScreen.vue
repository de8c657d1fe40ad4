<script setup lang="ts">
/** In place of the first page of a visit, while neither server nor device has it. */
import BrandBar from '@/components/BrandBar.vue'

defineEmits<{ retry: [] }>()
</script>

<template>
  <BrandBar />
  <main id="screen" class="screen" tabindex="-1">
    <h1>No connection</h1>
    <p role="status">Narrow Mule cannot reach its server, and this page is not on this device. It opens by itself when the connection is back.</p>
    <p class="quiet">Open Trail or Pack-out once while you have a network. After that they work without one.</p>
    <VBtn color="primary" variant="flat" class="again" @click="$emit('retry')">Try again</VBtn>
  </main>
</template>

<style scoped>
/* Pressed in gloves. */
.again {
  min-height: 52px;
}
</style>
