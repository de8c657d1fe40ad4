<script setup lang="ts">
/** Tonight: what to charge, what to copy, what to look over. Made from the boards as they stand. */
import { computed } from 'vue'
import type { Day, Entry, Thing } from '@/api/types'
import TickRow from '@/components/TickRow.vue'
import type { useField } from '@/composables/useField'
import { cards, packs } from '@/field/boards'
import { ticked, toggled } from '@/field/subjects'
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
    <ul class="lines">
      <li v-for="t in tasks" :key="t.line"><TickRow large :done="done(t.line)" :head="t.head" :body="t.body" @tick="field.mark(toggled(t.line))" /></li>
    </ul>
  </section>
</template>
