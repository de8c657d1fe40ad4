<script setup lang="ts">
import { onBeforeUnmount, onMounted } from 'vue'
import { notice } from '@/composables/useNotice'
import { useFocusFollowed } from '@/composables/useFocusBack'
import { onKey } from '@/composables/useKeys'
import { newer, toNewer, usePwaIfAtWork } from '@/composables/usePwa'
import { useThemeInForce } from '@/composables/useSession'
import { useUnreachable } from '@/composables/useUnreachable'
import { router } from './router'
import UnreachableScreen from './screens/UnreachableScreen.vue'

useThemeInForce()
useFocusFollowed()
usePwaIfAtWork()
const { waitsFor, retry } = useUnreachable(router)
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <VApp>
    <UnreachableScreen v-if="waitsFor !== null" @retry="retry" />
    <RouterView v-else />
    <div class="notices">
      <div v-if="newer" class="notice" role="status">
        <span>A new version of Narrow Mule is here.</span>
        <button class="link" type="button" @click="toNewer">Reload</button>
        <button class="link" type="button" @click="newer = false">Later</button>
      </div>
      <div v-if="notice" class="notice" role="status">
        <span>{{ notice }}</span>
        <button class="link" type="button" @click="notice = null">Close</button>
      </div>
    </div>
  </VApp>
</template>

<style scoped>
.notices {
  position: fixed;
  left: 50%;
  bottom: 92px;
  transform: translateX(-50%);
  width: max-content;
  max-width: min(680px, 92vw);
  display: grid;
  justify-items: center;
  gap: 6px;
  z-index: 3000;
}
.notice {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--ink);
  border-left: 5px solid var(--ochre);
  border-radius: var(--corner);
  padding: 10px 14px;
  display: flex;
  gap: 16px;
}
</style>
