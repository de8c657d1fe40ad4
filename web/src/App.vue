<script setup lang="ts">
import { onBeforeUnmount, onMounted } from 'vue'
import { notice } from '@/composables/useNotice'
import { onKey } from '@/composables/useKeys'
import { useThemeInForce } from '@/composables/useSession'

useThemeInForce()
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <VApp>
    <RouterView />
    <div v-if="notice" class="notice" role="status">
      <span>{{ notice }}</span>
      <button class="link" type="button" @click="notice = null">Close</button>
    </div>
  </VApp>
</template>

<style scoped>
.notice {
  position: fixed;
  left: 50%;
  bottom: 92px;
  transform: translateX(-50%);
  max-width: min(680px, 92vw);
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--ink);
  border-left: 5px solid var(--ochre);
  border-radius: var(--corner);
  padding: 10px 14px;
  display: flex;
  gap: 16px;
  z-index: 3000;
}
</style>
