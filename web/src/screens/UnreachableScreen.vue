<script setup lang="ts">
/** In place of the first page of a visit, while neither server nor device has it. */
defineEmits<{ retry: [] }>()
</script>

<template>
  <main id="screen" class="screen" tabindex="-1">
    <h1>No connection</h1>
    <p role="status">Narrow Mule cannot reach its server, and this page is not on this device. It opens by itself when the connection is back.</p>
    <p class="quiet">Open Trail or Pack-out once while you have a network. After that they work without one.</p>
    <VBtn color="primary" variant="flat" @click="$emit('retry')">Try again</VBtn>
  </main>
</template>
