<script setup lang="ts">
/** Tonight: what to charge, what to copy, what to look over. Made from the boards as they stand. */
import { computed } from 'vue'
import type { Day, Entry, Thing } from '@/api/types'
import type { useField } from '@/composables/useField'
import { cards, packs } from '@/field/boards'
import { ticked } from '@/field/subjects'
import { nightTasks } from '@/wording/night'

const props = defineProps<{ date: string; day: Day | undefined; mains: boolean; entries: Entry[]; things: Map<string, Thing>; field: ReturnType<typeof useField>; copies: number }>()
const tasks = computed(() =>
  nightTasks(props.date, {
    packs: packs(props.entries, props.things, props.field.stands.value),
    cards: cards(props.entries, props.things, props.field.stands.value),
    copies: props.copies,
    night: props.day?.night ?? null,
    mains: props.mains,
  }),
)
function done(line: string): boolean {
  return ticked(props.field.stands.value, line)
}
</script>

<template>
  <section aria-label="Tonight">
    <h2>Tonight</h2>
    <button v-for="t in tasks" :key="t.line" type="button" class="row" :aria-pressed="done(t.line)" @click="field.mark({ do: 'tick', line: t.line, done: !done(t.line) })">
      <span class="box" :class="{ in: done(t.line) }" aria-hidden="true">{{ done(t.line) ? '✓' : '' }}</span>
      <span><b>{{ t.head }}</b> <span class="quiet">{{ t.body }}</span></span>
    </button>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 56px;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
}
.box {
  flex: none;
  width: 26px;
  height: 26px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  text-align: center;
  line-height: 22px;
}
.box.in {
  background: var(--moss);
  border-color: var(--moss);
  color: var(--sheet);
}
</style>
