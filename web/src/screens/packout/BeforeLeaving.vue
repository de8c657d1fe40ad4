<script setup lang="ts">
/** What is to be done before leaving, and the last checks before the door shuts. */
import type { PackOut } from '@/api/types'
import TickRow from '@/components/TickRow.vue'
import type { Names } from '@/composables/useBench'
import { closingText, taskText } from '@/wording/packout'

defineProps<{ list: PackOut; done: (line: string) => boolean; names: Names }>()
const emit = defineEmits<{ tick: [line: string] }>()
</script>

<template>
  <section aria-label="Before leaving">
    <h2>Before leaving</h2>
    <ul class="lines">
      <li v-for="task in list.tasks" :key="task.id"><TickRow :done="done(task.id)" v-bind="taskText(task, names.thing)" @tick="emit('tick', task.id)" /></li>
    </ul>
    <h2 class="closing">Door check</h2>
    <p v-for="check in list.closing" :key="check.check" :class="check.passes ? 'good' : 'bad'">{{ check.passes ? '✓' : '◆' }} {{ closingText(check) }}</p>
  </section>
</template>

<style scoped>
section {
  overflow: auto;
}
.closing {
  margin-top: 10px;
}
p {
  margin: 2px 0;
}
.good {
  color: var(--moss);
}
.bad {
  color: var(--rust);
}
</style>
