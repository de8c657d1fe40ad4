<script setup lang="ts">
/** Beside the reason of a figure: how it is reckoned. */
import { HELP, type HelpTopic } from '@/wording/help'

defineProps<{ topic: HelpTopic }>()
</script>

<template>
  <details class="how">
    <summary>How this is calculated</summary>
    <p v-for="line in HELP[topic]" :key="line">{{ line }}</p>
  </details>
</template>

<style scoped>
.how {
  margin-top: 10px;
  padding-top: 8px;
  border-top: 1px solid var(--line);
  max-width: 46em;
}
summary {
  cursor: pointer;
  color: var(--muted);
}
p {
  margin: 6px 0 0;
}
</style>
