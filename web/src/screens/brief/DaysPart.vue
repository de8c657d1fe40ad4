<script setup lang="ts">
/** The days as columns under the line of the coldest hours; the chosen one is edited below. */
import { computed, ref } from 'vue'
import type { Day, DayLight, Pace, Want } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { useUnits } from '@/composables/useSession'
import { addDays, day as dayName, today } from '@/format/dates'
import * as fmt from '@/format/units'
import { NIGHTS, type Nights } from '@/screens/trips/new-trip'
import { bands, skyText } from './sky'
import WalkPart from './WalkPart.vue'

const props = defineProps<{ errors: Record<string, string>; wants: Want[]; sky: DayLight[]; spot: Day['spot'] }>()
const days = defineModel<Day[]>({ required: true })
const pace = defineModel<Pace>('pace', { required: true })
const units = useUnits()
const chosen = ref(0)
const one = computed(() => days.value[chosen.value])
const COLUMN = 82
const LINE = 34
const error = (field: string): string => props.errors[`days.${chosen.value}.${field}`] ?? ''
const wrong = computed(() => new Set(Object.keys(props.errors).map((f) => Number(/^days\.(\d+)/.exec(f)?.[1] ?? -1))))

const points = computed(() => {
  const cold = days.value.map((d) => d.lowest_c ?? 15)
  const low = Math.min(...cold)
  const span = Math.max(6, Math.max(...cold) - low)
  return cold.map((c, i) => ({ x: i * COLUMN + COLUMN / 2, y: 18 + (LINE - 10) * (1 - (c - low) / span), c }))
})
function replace(change: Partial<Day>): void {
  days.value = days.value.map((d, i) => (i === chosen.value ? { ...d, ...change } : d))
}
function add(): void {
  const old = days.value
  const last = old.at(-1)
  days.value = [
    ...old,
    { date: last ? addDays(last.date, 1) : today(), title: `Day ${old.length + 1}`, place: last?.place ?? '', lowest_c: last?.lowest_c ?? 15, on_foot_h: last?.on_foot_h ?? 0, weather: [], wants: [], bodies: [], night: last?.night ?? null },
  ]
  chosen.value = old.length
}
const WEATHER = [
  { title: 'wind', value: 'wind' },
  { value: 'rain', title: 'rain' },
  { value: 'snow', title: 'snow' },
  { value: 'spray', title: 'sea spray' },
  { value: 'dust', title: 'dust' },
  { value: 'ridge', title: 'a ridge or slope' },
] as const
const light = computed(() => new Map(props.sky.map((s) => [s.date, s])))
/** What the sky gives on the chosen day, in words; null where the place is not known. */
const skyWords = computed(() => (one.value ? skyText(light.value.get(one.value.date)) : null))
const wantOptions = computed(() => props.wants.map((w) => ({ title: w.name, value: w.id })))
type Spot = NonNullable<Day['spot']>
/** Gives the day a spot of its own, from the trip's at first. */
function move(change: Partial<Spot>): void {
  replace({ spot: { latitude: 0, longitude: 0, utc_offset_h: 0, ...props.spot, ...one.value?.spot, ...change } })
}
function drop(): void {
  const left = days.value.filter((_, i) => i !== chosen.value)
  days.value = left
  chosen.value = Math.max(0, Math.min(chosen.value, left.length - 1))
}
const STAYS = [...Object.entries(NIGHTS).map(([value, n]) => ({ title: n.title, value })), { title: 'different nights, or not set', value: '' }]
/** What all nights are alike; empty where they differ or nobody told. */
const stays = computed(() => Object.entries(NIGHTS).find(([, n]) => days.value.every((d) => JSON.stringify(d.night) === JSON.stringify(n.night)))?.[0] ?? '')
function stay(sort: string): void {
  const night = NIGHTS[sort as Nights]?.night
  if (night) days.value = days.value.map((d) => ({ ...d, night: { ...night } }))
}
/** Days that the chosen one is copied to, by their numbers: all that it says but its date, its title and its place. */
const copying = ref(false)
const from = ref(1)
const to = ref(1)
function openCopy(): void {
  copying.value = !copying.value
  from.value = Math.min(chosen.value + 2, days.value.length)
  to.value = days.value.length
}
const numbered = computed(() => days.value.map((d, i) => ({ title: `${i + 1}, ${dayName(d.date)}`, value: i + 1 })))
function copy(): void {
  const like = one.value
  if (!like) return
  const [first, last] = [Math.min(from.value, to.value) - 1, Math.max(from.value, to.value) - 1]
  days.value = days.value.map((d, i) => (i >= first && i <= last ? { ...like, date: d.date, title: d.title, place: d.place } : d))
  copying.value = false
}
/** A new first day moves all days with it. */
function start(date: string): void {
  if (date) days.value = days.value.map((d, i) => ({ ...d, date: addDays(date, i) }))
}
</script>

<template>
  <section aria-label="Days">
    <header class="top">
      <h2>Days <span class="quiet">purpose, coldest hour, hours on foot</span></h2>
      <VTextField v-if="days.length" class="start" type="date" label="First day" :model-value="days[0]!.date" :error-messages="errors.days" @update:model-value="start(String($event ?? ''))" />
      <VSelect v-if="days.length" class="stays" :model-value="stays" :items="STAYS" label="Overnight power, all nights" @update:model-value="stay($event)" />
      <button type="button" class="link" @click="add">add a day</button>
    </header>
    <div v-if="days.length" class="strip">
      <svg :width="days.length * COLUMN" :height="LINE + 16" aria-hidden="true">
        <polyline :points="points.map((p) => `${p.x},${p.y}`).join(' ')" />
        <g v-for="p in points" :key="p.x">
          <circle :cx="p.x" :cy="p.y" r="2.5" />
          <text :x="p.x" :y="p.y - 6" text-anchor="middle">{{ fmt.temperature(p.c, units) }}</text>
        </g>
      </svg>
      <div class="columns" role="group" aria-label="Days">
        <button v-for="(d, index) in days" :key="d.date" type="button" class="day" :aria-pressed="index === chosen" @click="chosen = index">
          <span class="label">{{ dayName(d.date) }}</span>
          <b>{{ d.title }}<template v-if="wrong.has(index)"> ▲</template></b>
          <svg v-if="light.has(d.date)" class="light" width="70" height="6" aria-hidden="true"><rect v-for="band in bands(light.get(d.date)!)" :key="band.kind" :x="band.x" y="0" :width="band.width" height="6" :class="band.kind" /></svg>
          <span class="label">{{ d.on_foot_h ? `${d.on_foot_h} h on foot` : '–' }}</span>
        </button>
      </div>
    </div>
    <div v-if="one" class="form">
      <VTextField :model-value="one.title" label="Purpose" maxlength="80" :error-messages="error('title')" @update:model-value="replace({ title: String($event ?? '') })" />
      <VTextField :model-value="one.place" label="Where" maxlength="80" :error-messages="error('place')" @update:model-value="replace({ place: String($event ?? '') })" />
      <NumberField :model-value="one.lowest_c" label="Coldest hour" quantity="temperature" required :error="error('lowest_c')" @update:model-value="replace({ lowest_c: $event as number })" />
      <NumberField :model-value="one.on_foot_h" label="On foot" unit="h" required :error="error('on_foot_h')" @update:model-value="replace({ on_foot_h: $event as number })" />
      <span class="acts">
        <button v-if="days.length > 1" type="button" class="link quiet" :aria-expanded="copying" @click="openCopy">copy to others</button>
        <button type="button" class="link quiet" @click="drop">remove {{ dayName(one.date) }}</button>
      </span>
      <div v-if="copying" class="spot">
        <VSelect v-model="from" :items="numbered" label="From day" />
        <VSelect v-model="to" :items="numbered" label="To day" />
        <VBtn @click="copy">Copy cold, hours, weather, shots and night</VBtn>
        <button type="button" class="link quiet" @click="copying = false">close</button>
      </div>
      <VSelect class="two" :model-value="one.weather ?? []" :items="WEATHER" multiple label="Out in" placeholder="fair weather" persistent-placeholder @update:model-value="replace({ weather: $event })" />
      <VSelect class="two" :model-value="one.wants ?? []" :items="wantOptions" multiple label="Shoots" placeholder="every shot" persistent-placeholder :error-messages="error('wants')" @update:model-value="replace({ wants: $event })" />
      <span />
      <div v-if="one.spot" class="spot">
        <NumberField :model-value="one.spot.latitude" label="Latitude that day" unit="°N" :error="error('spot.latitude')" @update:model-value="move({ latitude: $event ?? 0 })" />
        <NumberField :model-value="one.spot.longitude" label="Longitude that day" unit="°E" :error="error('spot.longitude')" @update:model-value="move({ longitude: $event ?? 0 })" />
        <NumberField :model-value="one.spot.utc_offset_h" label="Clock, UTC +" unit="h" :error="error('spot.utc_offset_h')" @update:model-value="move({ utc_offset_h: $event ?? 0 })" />
        <button type="button" class="link quiet" @click="replace({ spot: null })">same place as the trip</button>
      </div>
      <button v-else type="button" class="link quiet elsewhere" @click="move({})">set another place for this day</button>
      <WalkPart :key="one.date" v-model:pace="pace" :model-value="one.walk ?? null" :errors="error" @update:model-value="replace({ walk: $event })" />
      <p class="sky label">{{ skyWords ?? 'Add the place to see each day’s light here.' }}</p>
    </div>
    <p v-else class="quiet">No days yet.</p>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 6px;
}
.top h2 {
  flex: 1 1 240px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.start {
  flex: 0 0 150px;
}
.stays {
  flex: 0 0 230px;
}
.strip {
  overflow-x: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
}
svg {
  display: block;
}
polyline {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.5;
}
circle {
  fill: var(--slate);
}
text {
  fill: var(--slate);
  font-size: var(--text-tiny);
  font-stretch: var(--narrow);
}
.columns {
  display: flex;
}
.day {
  flex: 0 0 82px;
  font: inherit;
  color: var(--ink);
  background: none;
  border: 0;
  border-left: 1px solid var(--line);
  padding: 2px 6px 4px;
  text-align: left;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  font-stretch: var(--narrow);
}
.day:first-child {
  border-left: 0;
}
.day b {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.day[aria-pressed='true'] {
  background: var(--tan);
  background: color-mix(in srgb, var(--tan) 36%, transparent);
}
.form {
  display: grid;
  grid-template-columns: 1.3fr 1.3fr 1fr 1fr auto;
  gap: 10px;
  align-items: baseline;
  margin-top: 12px;
}
.two {
  grid-column: span 2;
}
.spot {
  grid-column: 1 / -1;
  display: flex;
  gap: 10px;
  align-items: baseline;
  max-width: 620px;
}
.elsewhere {
  grid-column: 1 / -1;
  justify-self: start;
}
.sky {
  grid-column: 1 / -1;
  margin: 0;
}
.light {
  margin: 2px 0;
}
.light .dark {
  fill: var(--mat);
}
.light .twilight {
  fill: var(--slate);
}
.light .low {
  fill: var(--ochre);
}
.light .day {
  fill: var(--tan);
}
</style>
