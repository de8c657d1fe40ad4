<script setup lang="ts">
/** Each bag on the scale, typed or read; plan and scale side by side, with what nobody ever weighed. */
import type { UseMutationReturnType } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { BagOut, Entry, Reading, Thing, What } from '@/api/types'
import type { Names } from '@/wording/names'
import type { useField } from '@/composables/useField'
import { storedThing, useLocker } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import { notify } from '@/composables/useNotice'
import { heldIn } from '@/field/held'
import { parseTyped } from '@/format/typed'
import * as fmt from '@/format/units'
import { readingText, scaleText } from '@/wording/packout'

const props = defineProps<{ bags: BagOut[]; entries: Entry[]; field: ReturnType<typeof useField>; scale: UseMutationReturnType<Reading, Error, void, unknown>; things: Map<string, Thing>; names: Names }>()
type Weighed = Extract<What, { do: 'weighed' }>
const units = useUnits()
const { weigh } = useLocker()
const said = ref('')
const open = ref('')
const typed = ref<Record<string, string>>({})
const own = ref<Record<string, string>>({})
/** What the server takes. */
const MOST_G = 100_000
const rows = computed(() =>
  props.bags
    .filter((b) => !b.inside)
    .map((bag) => {
      const what = props.field.stands.value.now.get(`weight:${bag.bag}`)?.what
      const weighed = what?.do === 'weighed' ? what : null
      const shown = weighed?.grams ?? null
      // What came in or went out since then was not planned when it hung on the scale.
      return { bag, shown, held: weighed?.held ?? null, planned: bag.planned_g - (shown === bag.weighed_g ? bag.since_g : 0) }
    }),
)
/** What is typed, in the user's units: short beside the field, and in words. */
const asked = computed(() => ({
  load: fmt.typed('load', units.value).unit,
  mass: fmt.typed('mass', units.value).unit,
  ...(units.value === 'metric' ? { loads: 'Kilograms', masses: 'Grams' } : { loads: 'Pounds', masses: 'Ounces' }),
}))
/** Whole grams; null when it is no mass. */
function inGrams(raw: string | undefined, quantity: 'load' | 'mass'): number | null {
  const grams = Math.round(parseTyped(raw ?? '', quantity, units.value) ?? 0)
  return grams > 0 ? grams : null
}
/** The last weighing of each bag that was replaced here: it can be taken back. */
const before = ref<Record<string, Weighed | null>>({})
function keep(bag: string, grams: number, source: 'typed' | 'scale'): void {
  const stands = props.field.stands.value.now.get(`weight:${bag}`)?.what
  before.value = { ...before.value, [bag]: stands?.do === 'weighed' ? stands : null }
  void props.field.mark({ do: 'weighed', bag, grams, source, held: heldIn(bag, props.entries, props.things) })
}
function takeBack(bag: string): void {
  const was = before.value[bag]
  void props.field.mark(was ?? { do: 'weighed', bag, grams: null, source: 'typed', held: null })
  before.value = Object.fromEntries(Object.entries(before.value).filter(([id]) => id !== bag))
  said.value = was?.grams ? `${props.names.thing(bag)} is back at ${fmt.load(was.grams, units.value)}.` : `${props.names.thing(bag)} no longer counts as weighed.`
}
function type(bag: string): void {
  const grams = inGrams(typed.value[bag], 'load')
  if (grams === null || grams > MOST_G) {
    said.value = `Type ${asked.value.loads.toLowerCase()}, more than 0 and at most ${fmt.limit(MOST_G, units.value)}.`
    return
  }
  said.value = ''
  keep(bag, grams, 'typed')
}
async function read(bag: string): Promise<void> {
  said.value = 'Listening to the scale…'
  try {
    const reading = await props.scale.mutateAsync()
    said.value = readingText(reading, units.value)
    if (reading.state === 'stable' && reading.grams) keep(bag, reading.grams, 'scale')
  } catch {
    said.value = 'No network, so the app cannot read the scale. Type the reading.'
  }
}
/** What one thing weighs on the scale goes into the locker as measured, when the user says so. */
async function keepOwn(item: string): Promise<void> {
  const mass_g = inGrams(own.value[item], 'mass')
  if (mass_g === null) {
    said.value = `Type ${asked.value.masses.toLowerCase()}, more than 0.`
    return
  }
  try {
    const doc = await storedThing(item)
    if (doc) await weigh.mutateAsync({ id: item, version: doc.version, mass_g })
  } catch (error) {
    notify(error as Error)
  }
}
</script>

<template>
  <section aria-label="Scale">
    <h2>On the scale</h2>
    <div v-for="r in rows" :key="r.bag.bag" class="one">
      <p><b>{{ names.thing(r.bag.bag) }}</b> <span class="quiet">planned {{ fmt.load(r.planned, units) }}</span></p>
      <p v-if="r.shown !== null" :class="{ bad: Math.abs(r.shown - r.planned) >= 150 }">{{ fmt.load(r.shown, units) }}, {{ scaleText(r.planned, r.shown, r.bag.unsure, units) }}.
        <template v-if="Math.abs(r.bag.since_g) >= 0.5">Changed since by {{ fmt.massChange(r.bag.since_g, units) }}: it counts as {{ fmt.load(r.shown + r.bag.since_g, units) }}.</template>
        <template v-if="r.held === null">Its contents were not noted then. Weigh it again to make it count.</template>
      </p>
      <p class="form">
        <label>{{ asked.load }} <input v-model="typed[r.bag.bag]" inputmode="decimal" size="6" :aria-label="`${asked.loads} of ${names.thing(r.bag.bag)}`" @keydown.enter="type(r.bag.bag)" /></label>
        <button type="button" class="link" @click="type(r.bag.bag)">Keep</button>
        <button type="button" class="link" :disabled="scale.isPending.value" @click="read(r.bag.bag)">Read the scale</button>
        <button v-if="r.shown !== null" type="button" class="link" @click="takeBack(r.bag.bag)">Undo</button>
        <button v-if="r.bag.unsure.length" type="button" class="link" :aria-expanded="open === r.bag.bag" @click="open = open === r.bag.bag ? '' : r.bag.bag">never weighed</button>
      </p>
      <ul v-if="open === r.bag.bag">
        <li v-for="u in r.bag.unsure" :key="u.item">
          <span>{{ names.thing(u.item) }} <span class="quiet">{{ fmt.mass(u.grams / u.count, units) }}, {{ u.source }}</span></span>
          <label><input v-model="own[u.item]" inputmode="decimal" size="5" :aria-label="`${asked.masses} of ${names.thing(u.item)}`" /> {{ asked.mass }}</label>
          <button type="button" class="link" @click="keepOwn(u.item)">Save to the Locker</button>
        </li>
      </ul>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
section {
  overflow: auto;
}
.one {
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
p {
  margin: 0;
}
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
ul {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 82px 116px;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
.bad {
  color: var(--rust);
}
@media (max-width: 700px) {
  .form {
    min-height: 56px;
  }
  input {
    min-height: 44px;
  }
}
</style>
