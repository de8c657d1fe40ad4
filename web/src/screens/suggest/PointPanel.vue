<script setup lang="ts">
/** One point of the curve: what it covers, what enters and leaves the bag, what each want makes of it. */
import { computed } from 'vue'
import type { Assessment, Marks, Point, Thing, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { markedAs, withMark, type How } from '@/wording/marks'
import { bagsText, dayLines, heaviestText } from '@/wording/suggested'
import { changes } from './point'

const props = defineProps<{
  point: Point
  /** Whether the bags are a part of the choice. */
  openBags: boolean
  now: Assessment
  then: Assessment | undefined
  /** Share of the brief that bears any one loss, of the kit on the table; none while it is reckoned. */
  steady: number | undefined
  loaded: Map<string, number>
  things: Map<string, Thing>
  trip: Trip
  names: Names
  busy: boolean
}>()
const emit = defineEmits<{ take: []; mark: [marks: Marks] }>()
const units = useUnits()
const delta = computed(() => changes(props.loaded, props.point, props.things))
const wants = computed(() =>
  (props.trip.wants ?? []).map((want) => ({
    name: want.name,
    now: props.now.coverage.wants.find((w) => w.want === want.id)?.cover ?? 0,
    then: props.then?.coverage.wants.find((w) => w.want === want.id)?.cover,
  })),
)
const refused = computed(() => props.then?.legs.filter((leg) => !leg.passes).map((leg) => props.names.leg(leg.leg)) ?? [])
const marks = computed<Marks>(() => props.trip.marks ?? {})

/** Marks from here on: what comes in must come, what goes out must stay. */
function mark(item: string, how: How): void {
  emit('mark', withMark(marks.value, item, how))
}
const state = computed(() => {
  if (!props.point.proved && props.point.bound < props.point.score + 0.05) return 'the best found; hardly anything covers more'
  if (!props.point.proved) return `the best found; no kit can pass ${fmt.figure(props.point.bound, 1)} %`
  return props.openBags ? 'proved: nothing lighter covers as much in any of your bags' : 'proved: the best under that mass'
})
const days = computed(() => (props.point.by_days ? dayLines(props.point.by_days, props.names, units.value) : []))
const lasts = computed(() => props.point.power_days >= props.point.days && props.point.card_days >= props.point.days)
const out = computed(() => Object.entries(props.point.left ?? {}).map(([item, count]) => `${count > 1 ? `${count} × ` : ''}${props.things.get(item)?.name ?? item}`))
const marked = (item: string): string => markedAs(marks.value, item)
</script>

<template>
  <div class="panel">
    <h2>At {{ fmt.load(point.carried_g, units) }} <span class="quiet">{{ state }}</span></h2>
    <p class="score"><b class="figure">{{ fmt.figure(point.score, 1) }} %</b> <span class="quiet">of the brief; the kit open now has {{ fmt.figure(now.coverage.score, 1) }} %</span></p>
    <p v-if="point.days" :class="lasts ? 'label' : 'short'">{{ lasts ? `Power and cards last all ${point.days} days.` : `▲ ${point.power_days < point.days ? `Power lasts ${point.power_days} of ${point.days} days` : `Cards last ${point.card_days} of ${point.days} days`}: see Stamina.` }}</p>
    <p v-if="point.by_days?.days.length" class="label">Heaviest day’s bag: {{ heaviestText(point.by_days, names, units) }}.</p>
    <p v-if="openBags" class="label">In {{ bagsText(point, things, names) }}.</p>
    <p v-if="point.stowed" :class="out.length ? 'short' : 'label'">{{ out.length ? `▲ No room in your bags for: ${out.join(', ')}. Add a bag, or see Stow.` : openBags ? 'Test-packed: everything fits into these bags.' : 'Test-packed: everything new fits into your bags.' }}</p>
    <div class="scroll">
      <table v-if="delta.enters.length || delta.leaves.length">
        <template v-for="side in [{ head: 'add', list: delta.enters }, { head: 'leave', list: delta.leaves }]" :key="side.head">
          <tbody v-if="side.list.length">
            <tr><th>{{ side.head }}</th><th class="number">{{ fmt.typed('mass', units).unit }}</th><th /></tr>
            <tr v-for="change in side.list" :key="change.item">
              <td>{{ Math.abs(change.count) > 1 ? `${Math.abs(change.count)} × ` : '' }}{{ change.name }}</td>
              <td class="number">{{ fmt.massChange(change.mass_g, units) }}</td>
              <td class="marks">
                <button type="button" class="link label" :aria-pressed="marked(change.item) === 'always take'" @click="mark(change.item, 'must_take')">{{ marked(change.item) === 'always take' ? 'always take ✓' : 'always take' }}</button>
                <button type="button" class="link label" :aria-pressed="marked(change.item) === 'leave at home'" @click="mark(change.item, 'must_leave')">{{ marked(change.item) === 'leave at home' ? 'leave at home ✓' : 'leave at home' }}</button>
              </td>
            </tr>
          </tbody>
        </template>
      </table>
      <p v-else>This is the kit you have open.</p>
      <table v-if="days.length" class="wants">
        <thead><tr><th>day’s bag</th><th class="number">{{ fmt.typed('mass', units).unit }}</th><th>carried by, of the comfortable load</th></tr></thead>
        <tbody>
          <tr v-for="line in days" :key="line.when" :class="{ short: line.over }">
            <td>{{ line.when }}</td>
            <td class="number">{{ fmt.mass(line.bag_g, units).split(' ')[0] }}</td>
            <td>{{ line.carried }}<div v-if="line.less" class="label">{{ line.less }}</div></td>
          </tr>
        </tbody>
      </table>
      <table class="wants">
        <thead><tr><th>shot</th><th class="number">now</th><th class="number">then</th></tr></thead>
        <tbody>
          <tr v-for="want in wants" :key="want.name">
            <td>{{ want.name }}</td>
            <td class="number">{{ fmt.percent(want.now) }}</td>
            <td class="number">{{ want.then === undefined ? '…' : fmt.percent(want.then) }}</td>
          </tr>
          <tr>
            <td>Brief that survives any one loss</td>
            <td class="number">{{ steady === undefined ? '…' : fmt.percent(steady) }}</td>
            <td class="number">{{ fmt.percent(point.steady) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="then" class="legs" :class="{ bad: refused.length }">
      <b>{{ refused.length ? `Refused: ${refused.join(', ')}.` : 'Every leg takes it.' }}</b>
      {{ refused.length ? 'Make it lighter, or divide it differently.' : 'Checked by mass, size and number of pieces.' }}
    </p>
    <div class="acts"><VBtn color="primary" variant="flat" :loading="busy" @click="emit('take')">Save as a new kit</VBtn></div>
  </div>
</template>

<style scoped>
.panel {
  gap: 8px;
}
.score b {
  font-size: var(--text-claim);
  font-weight: 700;
}
p {
  margin: 0;
}
td,
th {
  padding: 1.5px 6px 1.5px 0;
}
.scroll {
  overflow: auto;
  min-height: 80px;
  flex: 1 1 auto;
}
.marks {
  white-space: nowrap;
  text-align: right;
  padding-right: 4px;
}
.marks button + button {
  margin-left: 10px;
}
.marks [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
.wants {
  margin-top: 12px;
}
.legs {
  background: var(--sheet);
  border-left: 3px solid var(--moss);
  padding: 8px 12px;
}
.legs.bad {
  border-color: var(--rust);
}
.short {
  color: var(--rust);
  font-weight: 600;
  margin: 2px 0;
}
</style>
