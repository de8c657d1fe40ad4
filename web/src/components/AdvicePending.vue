<script setup lang="ts">
/** A panel of advice: keeps its place while a new answer is on its way, and says so; what is of before cannot be done. */
import type { Told } from '@/composables/useAdvice'

defineProps<{ told: Told }>()
</script>

<template>
  <div :aria-busy="!told.stands">
    <p class="label state" role="status">{{ told.stands ? '' : told.advice ? 'Reckoning again: this is of the kit before your last click.' : 'Reckoning what other kits would say…' }}</p>
    <fieldset v-if="told.advice" :disabled="!told.stands" :class="{ before: !told.stands }">
      <slot :advice="told.advice" />
    </fieldset>
  </div>
</template>

<style scoped>
.state {
  margin: 0;
  min-height: 1.4em;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.before {
  opacity: 0.55;
  transition: opacity 120ms 150ms;
}
</style>
