<script setup lang="ts">
/** What is to be done before leaving, and the last checks before the door shuts. */
import type { PackOut } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { closingText, taskText } from '@/wording/packout'

defineProps<{ list: PackOut; done: (line: string) => boolean; names: Names }>()
const emit = defineEmits<{ tick: [line: string] }>()
</script>

<template>
  <section aria-label="Before leaving">
    <h2>Before leaving</h2>
    <ul>
      <li v-for="task in list.tasks" :key="task.id">
        <button type="button" class="row" :aria-pressed="done(task.id)" @click="emit('tick', task.id)">
          <span class="box" aria-hidden="true">{{ done(task.id) ? '✓' : '' }}</span>
          <span :class="{ in: done(task.id) }">{{ taskText(task, names.thing).head }} <span class="quiet">{{ taskText(task, names.thing).body }}</span></span>
        </button>
      </li>
    </ul>
    <h2 class="closing">Door check</h2>
    <p v-for="check in list.closing" :key="check.check" :class="check.passes ? 'good' : 'bad'">{{ check.passes ? '✓' : '◆' }} {{ closingText(check) }}</p>
  </section>
</template>

<style scoped>
section {
  overflow: auto;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.row {
  display: flex;
  gap: 10px;
  width: 100%;
  text-align: left;
  padding: 4px 0;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
}
.box {
  flex: none;
  width: 16px;
  height: 16px;
  margin-top: 2px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: var(--text-small);
  line-height: 12px;
  text-align: center;
}
.in {
  text-decoration: line-through;
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
@media (max-width: 700px) {
  .row {
    min-height: 56px;
    align-items: center;
  }
  .box {
    width: 26px;
    height: 26px;
    font-size: var(--text-large);
    line-height: 22px;
  }
}
</style>
