<script setup lang="ts">
/** What is loaded, by heading, with its grams and what it earns. */
import { computed } from 'vue'
import type { Assessment, Entry, Place, Thing } from '@/api/types'
import type { Told } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { GROUP } from '@/wording/kinds'
import { ledger, type LedgerRow } from './ledger'

type Loads = Assessment['loads']
const props = defineProps<{
  things: Map<string, Thing>
  entries: Map<string, Entry[]>
  loads: Loads
  told: Told
  names: Names
}>()
const emit = defineEmits<{ open: [item: string] }>()
const units = useUnits()
const groups = computed(() => ledger(props.things, props.entries, props.told.advice?.worth ?? []))
const most = computed(() => Math.max(1, ...groups.value.flatMap((g) => g.rows.map((r) => r.worth ?? 0))))

function where(place: Place): string {
  switch (place.where) {
    case 'bag':
      return (place.outside ? 'outside ' : '') + props.names.thing(place.bag)
    case 'worn':
      return place.unplaced ? 'no bag' : `on ${props.names.person(place.person)}`
    default:
      return props.names.person(place.person)
  }
}
function places(row: LedgerRow): string {
  return row.places.map(where).join(', ')
}
const holds = computed(() => new Map(props.told.advice?.holds.map((h) => [h.item, h])))
/** What would fail without a thing: it is needed, whatever its points. */
function needed(row: LedgerRow): string {
  const broken = holds.value.get(row.thing.id)?.breaks ?? []
  return [...new Set(broken.map((b) => (b.of === 'want' ? props.names.want(b.id) : props.names.thing(b.id))))].join(', ')
}
/** Points per 100 g. */
function per(row: LedgerRow): string {
  return fmt.figure((100 * (row.worth ?? 0)) / Math.max(1, row.thing.mass_g), 1)
}
function worthTitle(row: LedgerRow): string {
  if (row.worth === null) return needed(row) ? `Needed by ${needed(row)}` : 'Part of no set-up'
  const per = row.thing.mass_g ? `, ${fmt.figure((100 * row.worth) / row.thing.mass_g, 1)} per 100 g` : ''
  return `Without it the brief loses ${fmt.figure(row.direct, 1)} %; as a backup it saves ${fmt.figure(row.backup, 1)} % more${per}`
}
</script>

<template>
  <div class="ledger">
    <table>
      <thead>
        <tr><th>loaded</th><th class="where">where</th><th class="number">{{ fmt.typed('mass', units).unit }}</th><th class="worth-head">% of brief · per {{ fmt.mass(100, units) }}</th></tr>
      </thead>
      <tbody v-for="group in groups" :key="group.group">
        <tr class="group">
          <th colspan="2" scope="rowgroup">{{ GROUP[group.group] }}</th>
          <td class="number">{{ fmt.mass(group.mass_g, units) }}</td>
          <td />
        </tr>
        <tr v-for="row in group.rows" :key="row.thing.id">
          <td class="name">
            <button type="button" class="plain" @click="emit('open', row.thing.id)"><template v-if="row.count > 1">{{ row.count }} × </template>{{ row.thing.name }}</button>
          </td>
          <td class="where label" :title="places(row)">{{ places(row) }}</td>
          <td class="number" :class="{ unsure: row.thing.mass_source === 'typical' }" :title="row.thing.mass_source === 'typical' ? 'A typical mass: weigh it once' : `Mass is ${row.thing.mass_source}`">
            {{ row.thing.mass_source === 'typical' ? '≈ ' : '' }}{{ fmt.mass(row.mass_g, units) }}
          </td>
          <td class="worth" :class="{ before: !told.stands }" :title="told.stands ? worthTitle(row) : 'Calculating its worth'">
            <span v-if="!told.advice" class="label" aria-hidden="true">…</span>
            <span v-if="row.worth === null && needed(row)" class="label">needed</span>
            <template v-if="row.worth !== null">
              <span v-if="row.direct < 0.05 && row.backup > 0.05" class="backup label">backup</span>
              <span class="bar" :class="{ small: row.direct < 0.05 }" :style="{ width: `${Math.max(2, (40 * row.worth) / most)}px` }" />
              <span class="points label">{{ fmt.figure(row.worth, 1) }}<span class="per"> · {{ per(row) }}</span></span>
            </template>
          </td>
        </tr>
      </tbody>
      <tfoot v-if="groups.length">
        <tr v-if="Math.abs(loads.scale_g) >= 0.5" class="scale"><td colspan="2">On the scale, more than is listed</td><td class="number">{{ fmt.massChange(loads.scale_g, units) }}</td><td /></tr>
        <tr><th colspan="2">All loaded</th><td class="number total">{{ fmt.load(loads.total_g, units) }}</td><td class="label">{{ told.stands ? '% of the brief' : 'calculating…' }}</td></tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
table {
  table-layout: fixed;
}
td,
th {
  padding: 2.5px 6px 2.5px 0;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
th.number,
td.number {
  width: 76px;
}
.where {
  width: 78px;
  overflow-wrap: anywhere;
}
.worth,
.worth-head {
  width: 112px;
  white-space: nowrap;
}
.worth-head {
  padding-left: 10px;
}
.worth {
  padding-left: 10px;
}
.name button {
  text-align: left;
  overflow-wrap: anywhere;
}
.name button:hover {
  text-decoration: underline;
}
.group th,
.group td {
  color: var(--ink);
  font-weight: 700;
  font-size: var(--text);
  border-bottom-color: var(--ink);
  padding-top: 8px;
}
.before {
  opacity: 0.55;
  transition: opacity 120ms 150ms;
}
.bar {
  display: inline-block;
  height: 8px;
  background: var(--saddle);
  vertical-align: middle;
}
.bar.small {
  background: var(--ochre);
}
.backup {
  margin-right: 4px;
}
.points {
  margin-left: 5px;
  font-variant-numeric: tabular-nums;
}
.unsure {
  color: var(--muted);
}
tfoot th,
tfoot td {
  border-bottom: 0;
  font-weight: 700;
  color: var(--ink);
}
tfoot .label {
  padding-left: 10px;
  font-weight: 400;
}
</style>
