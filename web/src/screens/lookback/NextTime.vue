<script setup lang="ts">
/** What to do about the next kit: each piece of advice with the one thing to do about it, here or on a trip to come. */
import { useMutation } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { Lesson, LookBack } from '@/api/types'
import type { Names } from '@/wording/names'
import { storedThing, useLocker } from '@/composables/useLocker'
import { notify } from '@/composables/useNotice'
import { useUnits } from '@/composables/useSession'
import { useTrips } from '@/composables/useTrips'
import { adviceText, serviceNote } from '@/wording/lookback'
import { withMark, type How } from '@/wording/marks'

const props = defineProps<{ back: LookBack; trip: string; names: Names }>()
const units = useUnits()
const { trips, save } = useTrips()
const { things, save: saveThing } = useLocker()
const advice = computed(() => props.back.advice.filter((a) => a.code !== 'keep'))
/** Trips to come: the advice is written into the brief of one. */
const coming = computed(() => (trips.value ?? []).filter((doc) => doc.trip.status !== 'done' && doc.trip.id !== props.trip))
const chosen = ref('')
const next = computed(() => coming.value.find((doc) => doc.trip.id === chosen.value) ?? coming.value[0])

function way(one: Lesson): How | null {
  if (!one.item) return null
  if (one.code === 'leave') return 'must_leave'
  return one.code === 'take' || one.code === 'rent' ? 'must_take' : null
}
function marked(one: Lesson): boolean {
  const how = way(one)
  return !!how && !!one.item && !!next.value?.trip.marks[how].includes(one.item)
}
function mark(one: Lesson): void {
  const [doc, how] = [next.value, way(one)]
  if (!doc || !how || !one.item) return
  save.mutate({ version: doc.version, trip: { ...doc.trip, marks: withMark(doc.trip.marks, one.item, how) } }, { onError: notify })
}
/** A fault or the age of a pack goes into the note of the thing, once. */
function noteFor(one: Lesson): string {
  return one.code === 'service' || one.code === 'retire' ? serviceNote(one) : ''
}
function noted(one: Lesson): boolean {
  return !!things.value?.find((doc) => doc.thing.id === one.item)?.thing.note?.includes(noteFor(one))
}
const write = useMutation({
  mutationFn: async (one: Lesson) => {
    const doc = one.item ? await storedThing(one.item) : null
    const text = noteFor(one)
    if (!doc || doc.thing.note?.includes(text)) return
    const note = [doc.thing.note, text].filter(Boolean).join('\n').slice(0, 2000)
    await saveThing.mutateAsync({ version: doc.version, thing: { ...doc.thing, note } })
  },
  onError: notify,
})
</script>

<template>
  <section aria-label="Next time">
    <h2>
      Next time
      <label v-if="coming.length && advice.some(way)" class="quiet">for <select v-model="chosen" aria-label="Trip to come"><option value="" disabled hidden>{{ next?.trip.name }}</option><option v-for="doc in coming" :key="doc.trip.id" :value="doc.trip.id">{{ doc.trip.name }}</option></select></label>
    </h2>
    <ul>
      <li v-for="(one, index) in advice" :key="index">
        {{ adviceText(one, names.thing, units) }}
        <template v-if="way(one) && next">
          <button type="button" class="link" :aria-pressed="marked(one)" :disabled="save.isPending.value" @click="mark(one)">{{ one.code === 'leave' ? 'Leave at home' : 'Always take' }}{{ marked(one) ? ' ✓' : '' }}</button>
        </template>
        <template v-else-if="noteFor(one)">
          <span v-if="noted(one)" class="quiet">✓ in its note</span>
          <button v-else type="button" class="link" :disabled="write.isPending.value" @click="write.mutate(one)">Add to its note</button>
        </template>
      </li>
    </ul>
    <p v-if="!advice.length" class="quiet">Your notes and pictures suggest no change.</p>
    <p v-if="back.kept.length" class="quiet">Not used, but right to take: {{ back.kept.map(names.thing).join(', ') }}.</p>
  </section>
</template>

<style scoped>
h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 10px;
  margin-top: 12px;
}
select {
  max-width: 240px;
  padding: 2px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
}
ul {
  margin: 2px 0;
  padding: 0;
  list-style: none;
}
li {
  border-left: 4px solid var(--ochre);
  background: var(--sheet);
  padding: 5px 10px;
  margin: 4px 0;
}
p {
  margin: 4px 0;
}
</style>
