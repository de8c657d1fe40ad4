<script setup lang="ts">
/** A line to tick off: its box, and what it is about. Large enough for gloves on a phone, or anywhere when asked. */
defineProps<{ done: boolean; large?: boolean; head: string; body?: string; /** A choice that can be taken back, not something done: its words stay plain. */ choice?: boolean }>()
const emit = defineEmits<{ tick: [] }>()
</script>

<template>
  <button type="button" class="row" :class="{ large, done, choice }" :aria-pressed="done" @click="emit('tick')">
    <span class="box" aria-hidden="true">{{ done ? '✓' : '' }}</span>
    <span class="what"><b>{{ head }}</b> <span v-if="body" class="body">{{ body }}</span></span>
  </button>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 10px;
  flex: 1;
  width: 100%;
  min-width: 0;
  padding: 5px 0;
  border: 0;
  background: none;
  text-align: left;
}
.what {
  min-width: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.body {
  color: var(--muted);
  font-size: var(--text-small);
  font-stretch: var(--narrow);
}
.box {
  flex: none;
  width: 16px;
  height: 16px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: var(--text-small);
  line-height: 12px;
  text-align: center;
}
.done:not(.choice) b {
  font-weight: 400;
  text-decoration: line-through;
}
.done .box {
  background: var(--moss);
  border-color: var(--moss);
  color: var(--sheet);
}
.large {
  min-height: 56px;
  gap: 12px;
}
.large .box {
  width: 26px;
  height: 26px;
  font-size: var(--text-large);
  line-height: 22px;
}
@media (max-width: 700px) {
  .row {
    min-height: 56px;
  }
  .what {
    flex-direction: column;
  }
  .box {
    width: 26px;
    height: 26px;
    font-size: var(--text-large);
    line-height: 22px;
  }
}
</style>
