<script setup lang="ts">
/** A figure that opens the reason behind it. */
import { ref } from 'vue'
import type { HelpTopic } from '@/wording/help'
import HowReckoned from './HowReckoned.vue'

defineProps<{ figure: string; about: string; help: HelpTopic }>()
const open = ref(false)
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <button v-bind="activator" type="button" class="plain why" :aria-label="`${figure}: ${about}, why`">{{ figure }}</button>
    </template>
    <div class="sheet reason"><slot /><HowReckoned :topic="help" /></div>
  </VMenu>
</template>

<style scoped>
.why {
  font-variant-numeric: tabular-nums;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.reason {
  min-width: 300px;
  max-width: 460px;
}
</style>
