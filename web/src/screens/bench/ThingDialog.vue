<script setup lang="ts">
/** One thing on the bench: what it is, how many go, and where they travel. */
import { computed } from 'vue'
import type { Assessment, Edit, Entry, Thing, Trip } from '@/api/types'
import SheetDialog from '@/components/SheetDialog.vue'
import type { Told } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { placeKey, placesFor } from '@/wording/choices'
import { ABSENCE, KIND, SOURCE } from '@/wording/kinds'
import { lacks } from '@/wording/completeness'
import { how, setUp } from '@/wording/optics'

const props = defineProps<{
  item: string | null
  things: Map<string, Thing>
  entries: Map<string, Entry[]>
  trip: Trip
  assessment: Assessment
  told: Told
  names: Names
  busy: boolean
}>()
const emit = defineEmits<{ close: []; edit: [edits: Edit[]] }>()
const units = useUnits()

const thing = computed(() => (props.item ? props.things.get(props.item) : undefined))
const mine = computed(() => (props.item ? (props.entries.get(props.item) ?? []) : []))
const loaded = computed(() => mine.value.reduce((n, e) => n + (e.count ?? 1), 0))
const worth = computed(() => props.told.advice?.worth.find((w) => w.item === props.item))
const hold = computed(() => props.told.advice?.holds.find((h) => h.item === props.item))
/** Sealing is a chain: for each set-up of the thing, what is open. */
const unsealed = computed(() => {
  const bars = props.assessment.coverage.reach.flatMap((row) => row.bars.filter((b) => b.how !== 'crop-mode' && Object.values(b.set_up).includes(props.item ?? '')))
  return [...new Set(bars.map((b) => `${setUp(b.set_up, props.names.thing)}: ${b.unsealed.length ? `open at ${b.unsealed.map(props.names.thing).join(', ')}` : 'sealed throughout'}.`))]
})
const serves = computed(() =>
  props.assessment.coverage.wants.flatMap((want) =>
    want.runs
      .filter((run) => run.set_up && Object.values(run.set_up).includes(props.item ?? ''))
      .map((run) => ({ want: props.names.want(want.want), run })),
  ),
)

const choices = computed(() => (thing.value ? placesFor(thing.value, props.things, props.entries, props.trip.people ?? []) : []))
const options = computed(() => choices.value.map((c) => ({ title: c.title, value: placeKey(c.place) })))
const at = computed(() => (mine.value.length === 1 && mine.value[0] ? placeKey(mine.value[0].place) : null))

function move(value: string | null): void {
  const choice = choices.value.find((c) => placeKey(c.place) === value)
  if (!choice || !props.item) return
  emit('edit', [loaded.value ? { act: 'move', item: props.item, place: choice.place } : { act: 'load', item: props.item, count: 1, place: choice.place }])
}
function add(by: 1 | -1): void {
  if (props.item) emit('edit', [by > 0 ? { act: 'load', item: props.item, count: 1 } : { act: 'leave', item: props.item, count: 1 }])
}
const size = computed(() => {
  const s = thing.value?.size
  if (!s) return ''
  if (s.shape === 'box') return fmt.sides([s.length_mm, s.width_mm, s.height_mm], units.value)
  return s.shape === 'cylinder' ? `Ø ${fmt.side(s.diameter_mm, units.value)} × ${fmt.side(s.length_mm, units.value)}` : `soft, ${fmt.volume(s.volume_l, units.value)}`
})
</script>

<template>
  <SheetDialog :model-value="Boolean(thing)" max-width="520" :aria-label="thing?.name" @update:model-value="emit('close')">
    <div v-if="thing" class="sheet">
      <h1>{{ thing.name }}</h1>
      <p class="quiet">
        {{ KIND[thing.kind] }} · {{ fmt.mass(thing.mass_g, units) }} {{ SOURCE[thing.mass_source ?? 'stated'] }} · {{ size }}
        <template v-if="thing.absent"> · {{ ABSENCE[thing.absent.reason] }}<template v-if="thing.absent.until"> until {{ day(thing.absent.until) }}</template></template>
      </p>
      <p v-if="thing.note">{{ thing.note }}</p>
      <div class="row">
        <span class="count">
          <VBtn width="34" min-width="34" aria-label="One less" :disabled="busy || loaded === 0" @click="add(-1)">−</VBtn>
          <b class="figure">{{ loaded }} of {{ thing.count ?? 1 }}</b>
          <VBtn width="34" min-width="34" aria-label="One more" :disabled="busy || loaded >= (thing.count ?? 1)" @click="add(1)">+</VBtn>
        </span>
        <VSelect class="place" label="Travels" :items="options" :model-value="at" :placeholder="mine.length > 1 ? 'in several places' : 'choose to load it'" persistent-placeholder @update:model-value="move" />
      </div>
      <p v-if="!told.stands && loaded" class="label" role="status">Calculating its worth…</p>
      <template v-if="worth">
        <h2>Its worth</h2>
        <p :class="{ before: !told.stands }">
          Without one the brief loses {{ fmt.figure(worth.direct, 1) }} %. As a backup it saves {{ fmt.figure(worth.backup, 1) }} % more in the
          single loss where it helps most; a tenth of that counts. In all {{ fmt.figure(worth.points, 1) }} % of the brief<template v-if="thing.mass_g">,
          {{ fmt.figure((100 * worth.points) / thing.mass_g, 1) }} % per {{ fmt.mass(100, units) }}</template>.
        </p>
      </template>
      <template v-if="hold">
        <h2>Gear that needs it</h2>
        <p v-if="hold.goes.length" :class="{ before: !told.stands }">Useless without it: {{ hold.goes.map(names.thing).join(', ') }}.</p>
        <p v-if="hold.breaks.length" :class="{ before: !told.stands }">Then: <template v-for="(b, i) in hold.breaks" :key="b.id + b.what">{{ i ? '; ' : '' }}{{ b.of === 'want' ? `${names.want(b.id)} loses its ${b.what}` : `${names.thing(b.id)} ${lacks(b.what, b.label)}` }}</template>.</p>
      </template>
      <template v-if="unsealed.length">
        <h2>Sealing</h2>
        <p v-for="line in unsealed" :key="line">{{ line }}</p>
      </template>
      <template v-if="serves.length">
        <h2>Shots it serves</h2>
        <table>
          <tbody>
            <tr v-for="{ want, run } in serves" :key="want + run.from_mm">
              <td>{{ want }}</td>
              <td class="number">{{ fmt.focalRange(run.from_mm, run.to_mm) }}</td>
              <td class="number">{{ fmt.percent(run.score) }}</td>
              <td class="label">{{ run.set_up ? `${setUp(run.set_up, names.thing)}, ${how(run)}` : '' }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <div class="sheet-end"><VBtn @click="emit('close')">Close</VBtn></div>
    </div>
  </SheetDialog>
</template>

<style scoped>
p {
  margin: 4px 0 10px;
}
.before {
  opacity: 0.55;
}
.row {
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 6px 0 12px;
}
.count {
  display: flex;
  align-items: center;
  gap: 10px;
}
.place {
  flex: 1;
}
</style>
