<script setup lang="ts">
/** One bag of the list, in packing order: tick a thing in, say that it is not here, or swap it for another. */
import { computed, ref } from 'vue'
import { useMutation } from '@tanstack/vue-query'
import type { OutLine, RoomUse, Thing } from '@/api/types'
import type { Names } from '@/wording/names'
import TickRow from '@/components/TickRow.vue'
import { storedThing, useLocker } from '@/composables/useLocker'
import { notify } from '@/composables/useNotice'
import { ABSENCE } from '@/wording/kinds'
import { pieces, whereText } from '@/wording/packout'
import { awayText } from '@/wording/stow'

const props = defineProps<{ head: string; under: string; lines: OutLine[]; rooms: RoomUse[]; done: (line: string) => boolean; by: (line: string) => string | null; things: Map<string, Thing>; names: Names }>()
const emit = defineEmits<{ tick: [line: string]; swap: [line: OutLine, item: string] }>()
const { save } = useLocker()
const open = ref('')
const reason = ref('in-post')
const until = ref('')
const inside = computed(() => props.lines.filter((l) => props.done(l.id)).length)
/** Others of the same kind that stay at home. */
function others(line: OutLine): Thing[] {
  const kind = props.things.get(line.item)?.kind
  return [...props.things.values()].filter((t) => t.kind === kind && t.id !== line.item && !t.absent).slice(0, 20)
}
const away = useMutation({
  mutationFn: async (wish: { item: string; absent: Thing['absent'] }) => {
    const doc = await storedThing(wish.item)
    if (doc) await save.mutateAsync({ version: doc.version, thing: { ...doc.thing, absent: wish.absent } })
  },
  onSuccess: () => (open.value = ''),
  onError: notify,
})
function setAway(line: OutLine): void {
  away.mutate({ item: line.item, absent: { reason: reason.value as NonNullable<Thing['absent']>['reason'], until: until.value || null } })
}
function choose(line: OutLine, event: Event): void {
  const item = (event.target as HTMLSelectElement).value
  if (item) emit('swap', line, item)
  open.value = ''
}
</script>

<template>
  <section class="bag" :aria-label="head">
    <h2>{{ head }} <span class="quiet">{{ under }}</span><span class="grow" /><span class="quiet">{{ inside }} of {{ lines.length }}</span></h2>
    <ul class="lines">
      <li v-for="line in lines" :key="line.id">
        <div class="line" :class="{ away: line.absent }">
          <TickRow :done="done(line.id)" :head="pieces(names.thing(line.item), line.count)" :body="line.absent ? awayText(things.get(line.item)) : whereText(line, rooms, names.person) + (by(line.id) ? `, ticked by ${by(line.id)}` : '')" @tick="emit('tick', line.id)" />
          <button type="button" class="more" :aria-expanded="open === line.id" :aria-label="`More about ${names.thing(line.item)}`" @click="open = open === line.id ? '' : line.id">…</button>
        </div>
        <div v-if="open === line.id" class="act">
          <p v-if="line.absent"><button type="button" class="link" :disabled="away.isPending.value" @click="away.mutate({ item: line.item, absent: null })">It is here now</button></p>
          <p v-else class="form">
            <label>not here: <select v-model="reason"><option v-for="(text, key) in ABSENCE" :key="key" :value="key">{{ text }}</option></select></label>
            <label>until <input v-model="until" type="date" /></label>
            <button type="button" class="link" :disabled="away.isPending.value" @click="setAway(line)">Mark as absent, keep its place</button>
          </p>
          <label v-if="others(line).length">take instead <select @change="choose(line, $event)"><option value="">choose…</option><option v-for="t in others(line)" :key="t.id" :value="t.id">{{ t.name }}</option></select></label>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.bag {
  break-inside: avoid-column;
  margin-bottom: 16px;
}
h2 {
  display: flex;
  gap: 8px;
  align-items: baseline;
  margin-bottom: 2px;
}
.line {
  display: flex;
  align-items: stretch;
}
.away :deep(b) {
  font-style: italic;
}
.more {
  border: 0;
  background: none;
  padding: 0 8px;
  color: var(--muted);
}
.act {
  padding: 2px 0 8px 26px;
}
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin: 0 0 4px;
}
select,
input {
  max-width: 200px;
}
@media (max-width: 700px) {
  .more {
    min-width: 48px;
  }
}
</style>
