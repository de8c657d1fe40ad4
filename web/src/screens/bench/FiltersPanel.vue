<script setup lang="ts">
/** Lenses against filter effects: direct, by ring, by holder, or not; what the wants ask; and the exposure helper. */
import { computed, ref } from 'vue'
import type { Advice, Edit } from '@/api/types'
import type { Names } from '@/wording/names'
import { useExposure, useLightestFilters } from '@/composables/useFilters'
import { useUnits } from '@/composables/useSession'
import { seconds, shutter } from '@/format/times'
import * as fmt from '@/format/units'
import { EFFECT } from '@/wording/completeness'
import { list } from '@/wording/parts'

const props = defineProps<{ trip: string; kit: string; filters: Advice['filters']; loaded: Map<string, number>; names: Names; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const units = useUnits()
const lightest = useLightestFilters(
  () => props.trip,
  () => props.kit,
)
const exposure = useExposure()
type Cell = Advice['filters']['rows'][number]['cells'][number]

const HOW: Record<Cell['how'], string> = { direct: 'direct', ring: 'by ring', holder: 'by holder', 'drop-in': 'drops in', sensor: 'over the sensor', none: '–' }
const WARN: Record<string, string> = { 'dark-corners': 'dark corners', 'uneven-sky': 'uneven sky', 'cross-pattern': 'dark cross at full strength' }
function cellTitle(cell: Cell): string {
  if (!cell.fit) return 'No filter you own fits this lens'
  const load = cell.fit.to_load.length ? ` · to load: ${list(cell.fit.to_load, props.names)}, ${fmt.massChange(cell.fit.mass_g, units.value)}` : ''
  return `${list(cell.fit.parts, props.names)} · rim ${fmt.figure(cell.fit.rim_mm, 1)} mm${load}`
}
type Asked = Advice['filters']['asked'][number]
type Stretch = Asked['stretches'][number]

function part(stretch: Stretch): string {
  const fit = stretch.fit
  if (!fit) return ''
  const warned = fit.warnings.length ? `, ${fit.warnings.map((w) => WARN[w]).join(', ')}` : ''
  return `${fmt.focalRange(stretch.from_mm, stretch.to_mm)} on ${props.names.thing(stretch.lens)} by ${list(fit.parts, props.names)}${warned}`
}
function answer(one: Asked): string {
  if (!one.stretches.length) return 'No loaded lens covers the shot.'
  const now = one.stretches.filter((s) => s.fit && !s.fit.to_load.length).map(part)
  const none = one.stretches.some((s) => s.loads === null) && !now.length && !one.stretches.some((s) => s.loads?.length)
  return [now.length ? `Served: ${now.join('; ')}.` : '', none ? 'No filter you own does this.' : ''].filter(Boolean).join(' ')
}
/** What to load so that one more lens wears it, where nothing loaded serves that part. */
function loadable(one: Asked): Stretch[] {
  const served = one.stretches.filter((s) => s.loads?.length === 0)
  return one.stretches.filter((s) => s.loads?.length && !served.some((o) => o.from_mm <= s.from_mm && o.to_mm >= s.to_mm)).sort((a, b) => a.mass_g - b.mass_g)
}
const asked = computed(() =>
  props.filters.asked.map((one) => ({
    ...one,
    text: `${props.names.want(one.want)}: ${one.stops ? `${fmt.figure(one.stops)} stops of ` : ''}${EFFECT[one.effect]}`,
    answer: answer(one),
    loadable: loadable(one),
  })),
)
const extra = computed(() => lightest.data.value?.items.filter((item) => !props.loaded.has(item)) ?? [])
const metered = ref('1/60')
const wanted = ref('1 s')
const wrong = ref('')
function reckon(): void {
  const [from, to] = [seconds(metered.value), seconds(wanted.value)]
  wrong.value = from === null || to === null ? 'Times as 1/60, 0.5 s, 30 s or 2 min' : ''
  if (from !== null && to !== null) exposure.mutate({ metered_s: from, wanted_s: to })
}
function off(stops: number): string {
  if (Math.abs(stops) < 0.05) return 'exactly'
  return `${fmt.figure(Math.abs(stops), 1)} stops too ${stops > 0 ? 'dark' : 'bright'}`
}
</script>

<template>
  <div>
    <h2>Filters <span class="quiet">which filter fits which loaded lens, and how</span></h2>
    <table v-if="filters.rows.length && filters.effects.length">
      <thead>
        <tr><th>lens</th><th class="number">thread</th><th v-for="effect in filters.effects" :key="effect">{{ EFFECT[effect] }}</th></tr>
      </thead>
      <tbody>
        <tr v-for="row in filters.rows" :key="row.lens">
          <td>{{ names.thing(row.lens) }}</td>
          <td class="number">{{ row.thread_mm ? `${fmt.figure(row.thread_mm)} mm` : 'none' }}</td>
          <td v-for="cell in row.cells" :key="cell.effect" :class="{ left: cell.fit?.to_load.length }" :title="cellTitle(cell)">
            {{ HOW[cell.how] }}<template v-if="cell.fit?.to_load.length">{{ ` ${fmt.massChange(cell.fit.mass_g, units)}` }}</template>
            <div v-for="warning in cell.fit?.warnings ?? []" :key="warning" class="label warn">{{ WARN[warning] }}</div>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">{{ filters.effects.length ? 'No lens is loaded yet.' : 'No filters in the locker.' }}</p>
    <template v-if="asked.length">
      <h2 class="second">Filters the shots need</h2>
      <p v-for="one in asked" :key="one.want + one.effect">
        {{ one.text }}. <span class="quiet">{{ one.answer }}</span>
        <button v-for="s in one.loadable" :key="s.lens" type="button" class="link" :disabled="busy" @click="emit('edit', (s.loads ?? []).map((item) => ({ act: 'load', item, count: 1 })))">Load {{ list(s.loads ?? [], names) }} for {{ names.thing(s.lens) }} ({{ fmt.massChange(s.mass_g, units) }})</button>
      </p>
      <p>
        <button type="button" class="link" @click="lightest.mutate()">Find the lightest set for every lens these shots use</button>
        <template v-if="lightest.data.value">
          : <b>{{ lightest.data.value.items.length ? list(lightest.data.value.items, names) : 'none needed' }}</b>, {{ fmt.mass(lightest.data.value.mass_g, units) }}{{ lightest.data.value.proved ? ', proved' : '' }}.
          <button v-if="extra.length" type="button" class="link" :disabled="busy" @click="emit('edit', extra.map((item) => ({ act: 'load', item, count: 1 })))">Load the missing ones</button>
          <span v-if="lightest.data.value.unserved.length" class="quiet">No filter you own fits {{ lightest.data.value.unserved.map(([lens, effect]) => `${names.thing(String(lens))} (${EFFECT[String(effect)]})`).join(', ') }}.</span>
        </template>
      </p>
    </template>
    <h2 class="second">Exposure</h2>
    <form class="times" @submit.prevent="reckon">
      <VTextField v-model="metered" label="Metered" />
      <VTextField v-model="wanted" label="Wanted" :error-messages="wrong" />
      <VBtn type="submit">Stops</VBtn>
    </form>
    <p v-if="exposure.data.value" role="status">
      {{ fmt.figure(exposure.data.value.stops, 1) }} stops.
      <template v-if="exposure.data.value.ways.length">
        <span v-for="way in exposure.data.value.ways" :key="way.filters.join()" class="way">{{ list(way.filters, names) }}: {{ shutter(way.time_s) }}, {{ off(way.off_stops) }}. </span>
      </template>
      <span v-else>No neutral density filter in the locker.</span>
    </p>
  </div>
</template>

<style scoped>
td,
th {
  padding: 3px 6px 3px 0;
  vertical-align: top;
}
.left {
  color: var(--muted);
}
.warn {
  color: var(--rust);
}
.second {
  margin-top: 14px;
}
p {
  margin: 4px 0;
}
.times {
  display: flex;
  gap: 10px;
  align-items: baseline;
  margin-top: 8px;
}
</style>
