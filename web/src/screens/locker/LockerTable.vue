<script setup lang="ts">
/** The locker's list: sorted, picked from, weighed in row by row. */
import { computed } from 'vue'
import type { Thing, ThingDoc } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { ABSENCE, GROUP, KIND, SOURCE } from '@/wording/kinds'
import { grouped, type Sort, type SortBy } from './sorting'
import ThingDrawing from './ThingDrawing.vue'

const props = defineProps<{ rows: ThingDoc[]; chosen: string | undefined; weighing: boolean }>()
const emit = defineEmits<{ choose: [id: string]; weighed: [doc: ThingDoc] }>()
const picked = defineModel<Set<string>>('picked', { required: true })
const sort = defineModel<Sort>('sort', { required: true })
const onScale = defineModel<Record<string, number | null | undefined>>('onScale', { required: true })
const units = useUnits()
const groups = computed(() => grouped(props.rows, sort.value))
const COLUMNS: { by: SortBy; title: string; number?: boolean }[] = [
  { by: 'name', title: 'item' },
  { by: 'kind', title: 'kind' },
  { by: 'count', title: 'pieces', number: true },
  { by: 'mass', title: 'mass of one', number: true },
]

function size(thing: Thing): string {
  const s = thing.size
  if (s.shape === 'soft') return `soft, ${fmt.volume(s.volume_l, units.value)}`
  return s.shape === 'box' ? fmt.sides([s.length_mm, s.width_mm, s.height_mm], units.value) : `Ø ${fmt.sides([s.diameter_mm, s.length_mm], units.value)}`
}
function order(by: SortBy): void {
  sort.value = sort.value?.by === by ? (sort.value.down ? null : { by, down: true }) : { by, down: false }
}
const sorted = (by: SortBy) => (sort.value?.by === by ? (sort.value.down ? 'descending' : 'ascending') : undefined)
const mark = (by: SortBy) => ({ ascending: ' ↑', descending: ' ↓', none: '' })[sorted(by) ?? 'none']
/** The row that was picked last: Shift takes all between. */
let last: string | null = null
function pick(id: string, event: MouseEvent): void {
  const next = new Set(picked.value)
  const on = !next.has(id)
  const shown = groups.value.flatMap((g) => g.rows.map((d) => d.thing.id))
  const [from, to] = [shown.indexOf(last ?? id), shown.indexOf(id)].sort((a, b) => a - b) as [number, number]
  for (const one of event.shiftKey && from >= 0 ? shown.slice(from, to + 1) : [id]) if (on) next.add(one)
  else next.delete(one)
  last = id
  picked.value = next
}
const all = computed(() => props.rows.length > 0 && props.rows.every((d) => picked.value.has(d.thing.id)))
function pickAll(): void {
  picked.value = all.value ? new Set() : new Set(props.rows.map((d) => d.thing.id))
}
</script>

<template>
  <table>
    <thead>
      <tr>
        <th class="tick"><input type="checkbox" :checked="all" :indeterminate="picked.size > 0 && !all" aria-label="Pick everything shown" @change="pickAll" /></th>
        <th class="pic"><span class="visually-hidden">drawing</span></th>
        <th v-for="c in COLUMNS" :key="c.by" :class="{ number: c.number }" :aria-sort="sorted(c.by)"><button type="button" class="plain head" @click="order(c.by)">{{ c.title }}{{ mark(c.by) }}</button></th>
        <th>{{ weighing ? 'on the scale' : 'figure is' }}</th>
        <th class="number">size</th>
        <th>now</th>
      </tr>
    </thead>
    <tbody v-for="g in groups" :key="g.group">
      <tr class="group"><th colspan="9" scope="rowgroup">{{ GROUP[g.group] }}</th></tr>
      <tr v-for="d in g.rows" :key="d.thing.id" class="row" :data-kind="d.thing.kind" :class="{ chosen: d.thing.id === chosen }" @click="emit('choose', d.thing.id)">
        <td class="tick"><input type="checkbox" :checked="picked.has(d.thing.id)" :aria-label="`Pick ${d.thing.name}`" @click.stop="pick(d.thing.id, $event)" /></td>
        <td class="pic"><ThingDrawing :thing="d.thing" /></td>
        <td><button type="button" class="plain" @click.stop="emit('choose', d.thing.id)">{{ d.thing.name }}</button></td>
        <td class="label">{{ KIND[d.thing.kind] }}</td>
        <td class="number">{{ d.thing.count }}</td>
        <td class="number">{{ d.thing.mass_source === 'typical' ? '≈ ' : '' }}{{ fmt.mass(d.thing.mass_g, units) }}</td>
        <td class="label scale" :data-weigh="d.thing.id">
          <NumberField v-if="weighing" v-model="onScale[d.thing.id]" :label="`Mass of ${d.thing.name}`" quantity="mass" hide-label @click.stop @keydown.enter="emit('weighed', d)" />
          <template v-else>{{ SOURCE[d.thing.mass_source ?? 'stated'] }}</template>
        </td>
        <td class="number">{{ size(d.thing) }}</td>
        <td class="label">{{ d.thing.absent ? `${ABSENCE[d.thing.absent.reason]}${d.thing.absent.until ? `, ${day(d.thing.absent.until)}` : ''}` : 'here' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
.head {
  font: inherit;
  color: inherit;
  white-space: nowrap;
}
.group th {
  color: var(--ink);
  font-weight: 700;
  font-size: var(--text);
  padding-top: 10px;
  border-bottom-color: var(--ink);
}
.tick {
  width: 24px;
}
.pic {
  width: 36px;
}
td {
  padding-top: 3px;
  padding-bottom: 3px;
}
.row {
  cursor: pointer;
}
.row:hover td,
.chosen td {
  background: var(--sheet);
}
.chosen td:first-child {
  box-shadow: inset 3px 0 0 var(--saddle);
}
.scale {
  width: 104px;
}
</style>
