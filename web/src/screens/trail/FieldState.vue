<script setup lang="ts">
/** Whether what was noted here has reached the server, what it would not take, and where two devices disagree. */
import { computed } from 'vue'
import type { Conflict, Mark } from '@/api/types'
import type { Names } from '@/wording/names'
import type { useField } from '@/composables/useField'
import { useUnits } from '@/composables/useSession'
import { many } from '@/wording/parts'
import { conflictHead, markText } from '@/wording/field'

const props = defineProps<{ field: ReturnType<typeof useField>; names: Names }>()
const units = useUnits()
const state = computed(() => {
  const wait = props.field.toSend.value
  if (wait) return props.field.away.value ? `no network: ${many(wait, 'note')} ${wait === 1 ? 'waits' : 'wait'} here, kept on this device` : `sending ${many(wait, 'note')}…`
  return props.field.away.value ? 'no network: notes are kept on this device' : ''
})
/** Each side once. */
function sides(conflict: Conflict): Mark[] {
  return [...new Map(conflict.marks.map((m) => [JSON.stringify(m.what), m])).values()]
}
function decide(mark: Mark): void {
  void props.field.mark(mark.what)
}
</script>

<template>
  <div class="state">
    <span v-if="state" class="label" role="status">{{ state }}</span>
    <div v-for="c in field.stands.value.conflicts" :key="c.subject" class="clash" role="alert">
      <b>{{ conflictHead(c, names) }}</b> Two devices disagree; both notes are kept. Which is right?
      <button v-for="m in sides(c)" :key="m.id" type="button" class="link" @click="decide(m)">{{ markText(m.what, names, units) }} <span class="quiet">({{ m.device }})</span></button>
    </div>
    <div v-for="w in field.refused.value" :key="w.mark.id" class="clash" role="alert">
      Refused by the server: {{ markText(w.mark.what, names, units) }} ({{ w.refused }}). <button type="button" class="link" @click="field.forget(w)">Discard it</button>
    </div>
  </div>
</template>

<style scoped>
.state {
  display: contents;
}
.clash {
  flex-basis: 100%;
  background: var(--sheet);
  border-left: 4px solid var(--rust);
  padding: 6px 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
