<script setup lang="ts">
/** The wants: bands on the focal axis, the list, and the one being edited. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { mdiPlus } from '@mdi/js'
import type { Assessment, Want } from '@/api/types'
import { useWantSets } from '@/composables/useFilters'
import { notify } from '@/composables/useNotice'
import { wantsSaid } from '@/composables/useTrips'
import { focalAxis } from '@/drawing/axis'
import * as fmt from '@/format/units'
import WantForm from './WantForm.vue'
import WantsFromPictures from './WantsFromPictures.vue'
import { asks, fromSet, newWant } from './wants'

const props = defineProps<{ coverage: Assessment['coverage']; errors: Record<string, string> }>()
const wants = defineModel<Want[]>({ required: true })
const chosen = ref(0)
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const ROW = 24
const NAMES = 190
const valid = computed(() => wants.value.filter((w) => w.focal_min_mm > 0 && w.focal_max_mm > 0))
const axis = computed(() => focalAxis(valid.value.flatMap((w) => [w.focal_min_mm, w.focal_max_mm]), NAMES, Math.max(NAMES + 200, width.value - 64)))
const height = computed(() => wants.value.length * ROW + 22)
const cover = computed(() => new Map(props.coverage.wants.map((w) => [w.want, w.cover])))
const wrong = computed(() => new Set(Object.keys(props.errors).map((f) => /^wants\.(\d+)/.exec(f)?.[1]).filter(Boolean).map(Number)))

function bar(want: Want) {
  const x = axis.value.x(want.focal_min_mm)
  return { x, width: Math.max(4, axis.value.x(want.focal_max_mm) - x) }
}
function add(): void {
  const old = wants.value
  wants.value = [...old, newWant(old.map((w) => w.id))]
  chosen.value = old.length
}
const sets = useWantSets()
function addAll(ready: readonly Want[]): void {
  const old = wants.value
  wants.value = [...old, ...fromSet(ready, old.map((w) => w.id))]
  chosen.value = old.length
}
const fromPictures = ref(false)
const words = ref('')
const notUnderstood = ref('')
async function say(): Promise<void> {
  const text = words.value.trim()
  if (!text) return
  try {
    const said = await wantsSaid(text, wants.value.map((w) => w.id))
    const known = said.flatMap((one) => (one.want ? [one.want] : []))
    const rest = said.filter((one) => !one.want).map((one) => one.typed)
    if (known.length) chosen.value = wants.value.length
    wants.value = [...wants.value, ...known]
    words.value = rest.join(', ')
    notUnderstood.value = rest.length ? `${rest.map((r) => `“${r}”`).join(', ')} not understood. Add its focal lengths: “ruins 24-70 f/4”.` : ''
  } catch (problem) {
    notify(problem as Error)
  }
}
function replace(want: Want): void {
  wants.value = wants.value.map((old, index) => (index === chosen.value ? want : old))
}
function drop(): void {
  const left = wants.value.filter((_, index) => index !== chosen.value)
  wants.value = left
  chosen.value = Math.max(0, Math.min(chosen.value, left.length - 1))
}
function step(event: KeyboardEvent, by: number): void {
  event.preventDefault()
  chosen.value = Math.min(Math.max(0, chosen.value + by), wants.value.length - 1)
}
</script>

<template>
  <section aria-label="Shots">
    <header class="top">
      <h2>Shots you want <span class="quiet">focal lengths in full-frame millimetres</span></h2>
      <VBtn :prepend-icon="mdiPlus" @click="add">Add a shot</VBtn>
      <form class="say" @submit.prevent="say"><input v-model="words" aria-label="Shots in words" placeholder="milky way, waterfalls 5, birds" maxlength="400" /><button type="submit" class="link">add these</button></form>
      <VMenu>
        <template #activator="{ props: menu }"><button type="button" class="link" v-bind="menu">add a ready-made set</button></template>
        <VList>
          <VListItem v-for="set in sets.data.value ?? []" :key="set.id" :title="set.name" :subtitle="set.wants.map((w) => w.name).join(', ')" @click="addAll(set.wants)" />
        </VList>
      </VMenu>
      <button type="button" class="link" @click="fromPictures = true">from your pictures</button>
    </header>
    <WantsFromPictures v-model="fromPictures" :taken="wants.map((w) => w.id)" @add="addAll" />
    <p v-if="notUnderstood" class="bad" role="status">{{ notUnderstood }}</p>
    <div ref="box" class="chart">
      <svg v-if="width && wants.length" :width="width" :height="height" role="listbox" aria-label="Shots" tabindex="0" :aria-activedescendant="`want-${chosen}`" @keydown.down="step($event, 1)" @keydown.up="step($event, -1)">
        <rect :x="NAMES - 4" y="0.5" :width="Math.max(0, width - NAMES - 56)" :height="height - 22" class="back" />
        <line v-for="tick in axis.ticks" :key="tick.mm" :x1="tick.x" :x2="tick.x" y1="1" :y2="height - 22" class="grid" />
        <g v-for="(want, index) in wants" :id="`want-${index}`" :key="want.id" role="option" class="want" :class="{ chosen: index === chosen }" :aria-selected="index === chosen" @click="chosen = index">
          <title>{{ want.name }}: {{ fmt.focalRange(want.focal_min_mm, want.focal_max_mm) }}, {{ asks(want) }}</title>
          <rect x="0" :y="index * ROW + 1" :width="width" :height="ROW - 2" class="hit" />
          <text :x="wrong.has(index) ? 20 : 6" :y="index * ROW + 16" class="name">{{ want.name.length > 27 ? want.name.slice(0, 26) + '…' : want.name }}</text>
          <path v-if="wrong.has(index)" :transform="`translate(11 ${index * ROW + 12})`" d="M0 -6L6 5H-6z" class="wrong" />
          <template v-if="want.focal_min_mm > 0 && want.focal_max_mm >= want.focal_min_mm">
            <rect :x="bar(want).x" :y="index * ROW + 5" :width="bar(want).width" :height="ROW - 10" :style="{ fill: `var(--want-${(index % 6) + 1})` }" />
            <rect :x="bar(want).x" :y="index * ROW + ROW - 8" :width="bar(want).width * (cover.get(want.id) ?? 0)" height="3" class="met" />
          </template>
          <text :x="width - 6" :y="index * ROW + 16" text-anchor="end" class="figure">{{ cover.has(want.id) ? fmt.percent(cover.get(want.id) ?? 0) : '' }}</text>
        </g>
        <text v-for="tick in axis.ticks" :key="`t${tick.mm}`" :x="tick.x" :y="height - 7" text-anchor="middle" class="tick">{{ tick.mm }}</text>
        <text :x="width - 6" :y="height - 7" text-anchor="end" class="tick">met by kit</text>
      </svg>
      <p v-else-if="!wants.length" class="empty">
        No shots yet. Add the first: a name, its focal lengths, the aperture and the megapixels it needs. Then the Bench can say what each lens is worth.
      </p>
    </div>
    <div v-if="wants[chosen]" class="edit">
      <WantForm :model-value="wants[chosen]!" :index="chosen" :errors="errors" @update:model-value="replace" />
      <button type="button" class="link quiet end" @click="drop">remove “{{ wants[chosen]!.name }}”</button>
    </div>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  margin-bottom: 8px;
}
.top h2 {
  flex: 1 1 calc(100% - 180px);
}
.say {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.say input {
  width: 260px;
}
.bad {
  color: var(--rust);
  margin: 0 0 6px;
}
svg {
  display: block;
}
.back {
  fill: var(--sheet);
  stroke: var(--line);
}
.grid {
  stroke: var(--line);
  stroke-dasharray: 1 4;
}
.want {
  cursor: pointer;
}
.hit {
  fill: transparent;
}
.want:hover .hit {
  fill: var(--ink);
  fill-opacity: 0.05;
}
.chosen .hit {
  fill: var(--tan);
  fill-opacity: 0.28;
}
.name {
  fill: var(--ink);
  font-weight: 600;
}
text {
  font-stretch: var(--narrow);
  font-size: var(--text-small);
  fill: var(--ink);
}
.tick {
  fill: var(--muted);
}
.met {
  fill: var(--ink);
  fill-opacity: 0.55;
}
.wrong {
  fill: var(--rust);
}
.edit {
  margin-top: 10px;
  padding-top: 14px;
  border-top: 1px solid var(--line);
}
.end {
  float: right;
  margin-top: -24px;
}
.empty {
  padding: 24px 0;
  max-width: 46em;
}
</style>
