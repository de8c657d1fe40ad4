<script setup lang="ts">
/** Two to four kits side by side: reach, every figure, what one has that the other lacks. */
import { computed, ref, watch } from 'vue'
import { asProblem } from '@/api/problem'
import type { Side } from '@/api/types'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useBench } from '@/composables/useBench'
import { useCompare } from '@/composables/useCompare'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { kitBare } from '@/wording/kits'
import ReachStack from './ReachStack.vue'

const props = defineProps<{ trip: string; kit: string }>()
const MOST = 4
const units = useUnits()
const { bench, error, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const brief = computed(() => bench.value?.trip.trip)
const kits = computed(() => bench.value?.kits ?? [])
const picked = ref<string[]>([])
watch(
  kits,
  (list) => {
    if (picked.value.length < 2) picked.value = [props.kit, ...list.map((k) => k.id).filter((id) => id !== props.kit)].slice(0, MOST)
  },
  { immediate: true },
)
const order = computed(() => kits.value.map((k) => k.id).filter((id) => picked.value.includes(id)))
const { comparison, error: failed } = useCompare(() => props.trip, order)
const sides = computed(() => comparison.value?.sides ?? [])
function toggle(id: string): void {
  const next = picked.value.includes(id) ? picked.value.filter((k) => k !== id) : [...picked.value, id]
  if (next.length >= 2 && next.length <= MOST) picked.value = next
}

interface Row {
  head: string
  show: (side: Side) => string
  /** The figure to compare; the best is set off. Higher is better unless `low`. */
  value?: (side: Side) => number
  low?: boolean
}
const rows = computed<Row[]>(() => [
  { head: 'Brief covered', show: (s) => `${fmt.figure(s.score, 1)} %`, value: (s) => s.score },
  { head: 'Survives any one loss', show: (s) => fmt.percent(s.steady), value: (s) => s.steady },
  { head: 'Carried', show: (s) => fmt.load(s.carried_g, units.value), value: (s) => s.carried_g, low: true },
  { head: 'Everything loaded', show: (s) => fmt.load(s.total_g, units.value), value: (s) => s.total_g, low: true },
  { head: 'Fullest bag', show: (s) => (s.bag_l ? `${fmt.volume(s.volume_l, units.value)} of ${fmt.volume(s.bag_l, units.value)}` : '–') },
  { head: 'Legs that refuse', show: (s) => (s.legs_refused.length ? s.legs_refused.map(names.value.leg).join(', ') : 'none'), value: (s) => s.legs_refused.length, low: true },
  { head: 'Lens changes on the busiest day', show: (s) => String(s.changes), value: (s) => s.changes, low: true },
  { head: 'Blockers and cautions', show: (s) => `${s.blockers} and ${s.cautions}`, value: (s) => s.blockers * 1000 + s.cautions, low: true },
  { head: 'Weakest shot', show: (s) => (s.weakest_want ? names.value.want(s.weakest_want) : '–') },
  { head: 'Worst single loss', show: (s) => (s.weakness ? `${names.value.thing(s.weakness.item)}: ${s.weakness.stops ? 'no more pictures' : `${fmt.figure(s.weakness.points, 1)} points`}` : '–') },
  ...(brief.value?.wants ?? []).map((want): Row => {
    const cover = (s: Side): number => s.wants.find((w) => w.want === want.id)?.cover ?? 0
    return { head: want.name, show: (s) => fmt.percent(cover(s)), value: cover }
  }),
])
function isBest(row: Row, side: Side): boolean {
  if (!row.value) return false
  const all = sides.value.map(row.value)
  const best = row.low ? Math.min(...all) : Math.max(...all)
  return Math.abs(row.value(side) - best) < 1e-9 && all.some((v) => Math.abs(v - best) > 1e-9)
}
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="brief && bench" class="screen">
      <header class="panel-head">
        <h1>Compare <span class="quiet">two to four kits side by side; the best in each row is marked</span></h1>
        <TabRow label="Kits to compare" :tabs="kits.map((k) => ({ name: k.id, title: k.id.toUpperCase(), hint: k.name }))" :model-value="picked" @update:model-value="toggle" />
        <RouterLink class="link" :to="{ name: 'bench', params: { trip, kit } }">back to the bench</RouterLink>
      </header>
      <p v-if="kits.length < 2" class="empty">This trip has one kit. Copy it on the Bench, change the copy, then compare the two here.</p>
      <p v-else-if="failed" role="alert">{{ asProblem(failed).title }}</p>
      <template v-else-if="sides.length">
        <ReachStack :sides="sides" :trip="brief" />
        <table>
          <thead>
            <tr>
              <th />
              <th v-for="side in sides" :key="side.kit" scope="col"><b class="kit">{{ side.kit.toUpperCase() }}</b> {{ kitBare({ id: side.kit, name: side.name }) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.head">
              <th scope="row">{{ row.head }}</th>
              <td v-for="side in sides" :key="side.kit" class="figure" :class="{ best: isBest(row, side) }">{{ row.show(side) }}<span v-if="isBest(row, side)" class="visually-hidden"> (best)</span></td>
            </tr>
            <tr>
              <th scope="row">Only in this kit</th>
              <td v-for="side in sides" :key="side.kit" class="things">{{ side.only.map(names.thing).join(', ') || 'nothing' }}</td>
            </tr>
            <tr>
              <th scope="row">In every other kit</th>
              <td v-for="side in sides" :key="side.kit" class="things">{{ side.lacks.map(names.thing).join(', ') || 'nothing' }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </div>
  </TripFrame>
</template>

<style scoped>
.panel-head h1 {
  flex: 1;
}
table {
  margin-top: 10px;
  table-layout: fixed;
}
td,
th {
  padding: 2px 12px 2px 0;
  vertical-align: top;
}
th[scope='row'] {
  color: var(--ink);
}
thead th {
  font-size: var(--text);
}
.kit {
  color: var(--ink);
  font-size: var(--text-large);
}
.figure {
  white-space: normal;
}
.best {
  font-weight: 700;
  box-shadow: inset 3px 0 0 var(--moss);
  padding-left: 8px;
}
.things {
  font-stretch: var(--narrow);
  font-size: var(--text-small);
}
.empty {
  padding: 24px 0;
}
</style>
