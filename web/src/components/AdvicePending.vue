<script setup lang="ts" generic="T">
/** A panel of advice: keeps its place while a new answer is on its way, and says so; what is of before cannot be done. */
import { computed } from 'vue'
import type { Told } from '@/composables/useAdvice'

const props = withDefaults(
  defineProps<{
    told: Told<T>
    before?: string
    looking?: string
    /** What can be clicked here holds whatever the advice is. */
    holds?: boolean
  }>(),
  { before: 'Updating: these figures are from before your last click.', looking: 'Trying other kits…', holds: false },
)
const state = computed(() => {
  const { advice, stands, failed } = props.told
  if (stands) return ''
  if (failed) return 'No answer from the app’s server about other kits. Your next click tries again.'
  return advice ? props.before : props.looking
})
</script>

<template>
  <div class="panel" :aria-busy="!told.stands && !told.failed">
    <p class="label state" :class="{ over: told.advice }" role="status">{{ state }}</p>
    <fieldset v-if="told.advice" :disabled="!told.stands && !holds" :class="{ before: !told.stands }">
      <slot :advice="told.advice" />
    </fieldset>
  </div>
</template>

<style scoped>
.panel {
  position: relative;
}
.state {
  margin: 0;
}
/* In place of the first line of what is dimmed: nothing moves, and nothing flashes where the answer comes at once. */
.over:not(:empty) {
  position: absolute;
  z-index: 1;
  inset: 0 0 auto;
  padding: 1px 0;
  background: var(--paper);
  animation: late 0s 400ms both;
}
@keyframes late {
  from {
    visibility: hidden;
  }
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
