<script setup lang="ts">
/** What the kit sees, on a log focal axis: wants as bands, set-ups as bars, gaps as hatching. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Assessment, ReachBar, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { focalAxis, labelWidth, lanes } from '@/drawing/axis'
import * as fmt from '@/format/units'
import { setUp } from '@/wording/optics'

const props = defineProps<{ coverage: Assessment['coverage']; trip: Trip; names: Names }>()
const emit = defineEmits<{ want: [id: string] }>()

/** Room for the names of the rows: as much as they need, within limits. */
const [LEAST_LEFT, MOST_LEFT, SPARE] = [96, 0.4, 20]
const ROW = 23
const LANE = 15
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)

const wants = computed(() => props.trip.wants ?? [])
const rowNames = computed(() =>
  props.coverage.reach.map((row, _, all) => {
    const lens = props.names.thing(row.lens ?? row.bodies[0] ?? '')
    const alike = all.filter((other) => props.names.thing(other.lens ?? other.bodies[0] ?? '') === lens).length > 1
    return row.lens && (alike || sorts.value > 1) ? `${lens} on ${props.names.thing(row.bodies[0] ?? '')}` : lens
  }),
)
const left = computed(() => Math.round(Math.min(Math.max(LEAST_LEFT, ...rowNames.value.map((name) => labelWidth(name) + SPARE)), Math.max(LEAST_LEFT, width.value * MOST_LEFT))))
/** A name that has no room on one line takes two. */
function lines(name: string): string[] {
  if (labelWidth(name) + SPARE <= left.value) return [name]
  const words = name.split(' ')
  const breaks = words.map((_, i) => [words.slice(0, i + 1).join(' '), words.slice(i + 1).join(' ')])
  return breaks.reduce((best, pair) => (Math.max(...pair.map((p) => p.length)) < Math.max(...best.map((p) => p.length)) ? pair : best)).filter(Boolean)
}
const axis = computed(() => {
  const values = wants.value.flatMap((w) => [w.focal_min_mm, w.focal_max_mm])
  const bars = props.coverage.reach.flatMap((row) => row.bars.flatMap((b) => [b.from_mm, b.to_mm]))
  return focalAxis([...values, ...bars], left.value, Math.max(left.value + 200, width.value) - 8)
})
const bands = computed(() => {
  const placed = wants.value.map((want, index) => {
    const x = axis.value.x(want.focal_min_mm)
    const right = Math.max(axis.value.x(want.focal_max_mm), x + 3)
    const label = labelWidth(want.name)
    const labelX = Math.min(x + 5, Math.max(left.value, width.value - 12 - label))
    return { want, x, width: right - x, labelX, label, colour: `var(--want-${(index % 6) + 1})` }
  })
  const order = [...placed].sort((a, b) => a.labelX - b.labelX)
  const lane = lanes(order.map((b) => ({ x: b.labelX, width: b.label })))
  return placed.map((band) => ({ ...band, lane: lane[order.indexOf(band)] ?? 0 }))
})
const top = computed(() => 8 + LANE * Math.max(1, ...bands.value.map((b) => b.lane + 1)))
const sorts = computed(() => new Set(props.coverage.reach.map((row) => row.bodies.join())).size)
const rows = computed(() =>
  props.coverage.reach.map((row, index) => ({ row, name: lines(rowNames.value[index] ?? ''), y: top.value + index * ROW })),
)
const gaps = computed(() => props.coverage.wants.flatMap((w) => w.gaps.map((gap) => ({ ...gap, want: w.want }))))
const bottom = computed(() => top.value + Math.max(1, rows.value.length) * ROW + (gaps.value.length ? ROW : 4))
const height = computed(() => bottom.value + 20)

function bar(b: ReachBar) {
  const x = axis.value.x(b.from_mm)
  return { x, width: Math.max(axis.value.x(b.to_mm) - x, 0) }
}
function barTitle(b: ReachBar): string {
  const lost = b.autofocus_lost_from_mm ? `, no autofocus from ${fmt.focal(b.autofocus_lost_from_mm)} mm` : ''
  const f = fmt.fNumber(b.f_from) === fmt.fNumber(b.f_to) ? fmt.fNumber(b.f_from) : `${fmt.fNumber(b.f_from)}–${fmt.fNumber(b.f_to).slice(2)}`
  return `${setUp(b.set_up, props.names.thing)}: ${fmt.focalRange(b.from_mm, b.to_mm)}, ${f}, ${fmt.figure(b.megapixels)} MP${lost}`
}
const LABEL: Record<ReachBar['how'], string> = { native: 'native', 'crop-mode': 'crop mode', converter: 'teleconverter' }
const asTable = ref(false)
</script>

<template>
  <section class="panel reach" aria-label="Reach">
    <header class="panel-head">
      <h2>Reach <span class="quiet">set-ups in full-frame mm</span></h2>
      <span class="key label" aria-hidden="true">
        <i class="swatch native" /> native <i class="swatch crop" /> crop mode <i class="swatch tele" /> teleconverter <i class="swatch gap" /> gap
      </span>
      <button class="tab" type="button" :aria-pressed="asTable" @click="asTable = !asTable">as a table</button>
    </header>
    <div ref="box" class="box">
      <table v-if="asTable">
        <thead>
          <tr><th>Set-up</th><th>how</th><th class="number">reaches</th><th class="number">f-number</th><th class="number">MP</th><th>autofocus</th></tr>
        </thead>
        <tbody>
          <template v-for="row in coverage.reach" :key="row.lens + row.bodies.join()">
            <tr v-for="b in row.bars" :key="b.how + b.set_up.crop + b.set_up.converter">
              <td>{{ setUp(b.set_up, names.thing) }}</td>
              <td>{{ LABEL[b.how] }}</td>
              <td class="number">{{ fmt.focalRange(b.from_mm, b.to_mm) }}</td>
              <td class="number">{{ fmt.fNumber(b.f_from) }} – {{ fmt.fNumber(b.f_to) }}</td>
              <td class="number">{{ fmt.figure(b.megapixels) }}</td>
              <td>{{ b.autofocus_lost_from_mm ? `until ${fmt.focal(b.autofocus_lost_from_mm)} mm` : 'yes' }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <svg v-else-if="width" :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="group" aria-label="Reach chart; the same as a table is behind the button">
        <defs>
          <pattern id="gap" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="2.5" height="6" class="gap-line" />
          </pattern>
        </defs>
        <rect :x="left - 6" y="0.5" :width="width - left + 5" :height="bottom" class="sheet-back" />
        <line v-for="tick in axis.ticks" :key="tick.mm" :x1="tick.x" :x2="tick.x" y1="1" :y2="bottom" class="grid" />
        <g v-for="band in bands" :key="band.want.id" class="band" tabindex="0" role="button" :aria-label="`${band.want.name}, ${fmt.focalRange(band.want.focal_min_mm, band.want.focal_max_mm)}`" @click="emit('want', band.want.id)" @keydown.enter="emit('want', band.want.id)">
          <rect :x="band.x" y="1" :width="band.width" :height="bottom - 1" :style="{ fill: band.colour, stroke: band.colour }" />
          <text :x="band.labelX" :y="13 + band.lane * LANE" :style="{ fill: band.colour }">{{ band.want.name }}</text>
        </g>
        <g v-for="{ row, name, y } in rows" :key="(row.lens ?? '') + row.bodies.join()">
          <text v-for="(line, i) in name" :key="line" :x="left - 14" :y="y + 15 + (name.length > 1 ? i * 11 - 6 : 0)" class="name" :class="{ tight: name.length > 1 }" text-anchor="end">{{ line }}</text>
          <template v-for="b in row.bars" :key="b.how + b.set_up.crop + b.set_up.converter">
            <g :class="b.how">
              <title>{{ barTitle(b) }}</title>
              <template v-if="b.how === 'crop-mode'">
                <rect :x="bar(b).x" :y="y + 6" :width="Math.max(bar(b).width, 4)" height="11" />
              </template>
              <template v-else-if="b.how === 'converter'">
                <rect :x="bar(b).x" :y="y + 17.5" :width="Math.max(bar(b).width, 4)" height="3.5" />
              </template>
            </g>
          </template>
          <g v-for="b in row.bars.filter((r) => r.how === 'native')" :key="`n${b.set_up.crop}${b.set_up.adapter}`" class="native">
            <title>{{ barTitle(b) }}</title>
            <circle v-if="bar(b).width < 3" :cx="bar(b).x" :cy="y + 11.5" r="6.5" />
            <rect v-else :x="bar(b).x" :y="y + 6" :width="bar(b).width" height="11" rx="1.5" />
          </g>
        </g>
        <g v-for="gap in gaps" :key="gap.want + gap.from_mm" class="gap">
          <title>Gap {{ fmt.focalRange(gap.from_mm, gap.to_mm) }} in {{ names.want(gap.want) }}</title>
          <rect :x="axis.x(gap.from_mm)" :y="bottom - ROW + 3" :width="Math.max(6, axis.x(gap.to_mm) - axis.x(gap.from_mm))" height="15" fill="url(#gap)" />
        </g>
        <text v-if="gaps.length" :x="left - 14" :y="bottom - 8" class="name gap-name" text-anchor="end">gaps</text>
        <text v-if="rows.length === 0" :x="left + 8" :y="top + 15" class="name">Load a body and a lens that fits it.</text>
        <g v-for="tick in axis.ticks" :key="`t${tick.mm}`">
          <text :x="tick.x" :y="bottom + 14" class="tick" text-anchor="middle">{{ tick.mm }}</text>
        </g>
      </svg>
    </div>
  </section>
</template>

<style scoped>
.key {
  display: flex;
  gap: 5px;
  align-items: center;
  white-space: nowrap;
}
.swatch {
  width: 16px;
  height: 8px;
  margin-left: 8px;
  display: inline-block;
}
.swatch.native {
  background: var(--ink);
}
.swatch.crop {
  background: var(--muted);
  opacity: 0.45;
}
.swatch.tele {
  height: 3px;
  background: var(--saddle);
}
.swatch.gap {
  background: repeating-linear-gradient(-45deg, var(--rust) 0 2.5px, transparent 2.5px 6px);
}
.box {
  overflow: auto;
  min-height: 0;
}
svg {
  display: block;
}
text {
  font-size: var(--text-small);
  font-stretch: var(--narrow);
}
.sheet-back {
  fill: var(--sheet);
  stroke: var(--line);
}
.grid {
  stroke: var(--line);
  stroke-dasharray: 1 4;
}
.band {
  cursor: pointer;
}
.band rect {
  fill-opacity: 0.13;
  stroke-opacity: 0.55;
}
.band:hover rect,
.band:focus-visible rect {
  fill-opacity: 0.26;
}
.band text {
  font-weight: 650;
}
.name {
  fill: var(--ink);
  font-weight: 600;
}
.tight {
  font-size: 11px;
}
.native rect,
.native circle {
  fill: var(--ink);
}
.crop-mode rect {
  fill: var(--muted);
  fill-opacity: 0.42;
}
.converter rect {
  fill: var(--saddle);
}
.gap-line {
  fill: var(--rust);
}
.gap rect {
  stroke: var(--rust);
}
.gap-name {
  fill: var(--rust);
}
.tick {
  fill: var(--muted);
  font-variant-numeric: tabular-nums;
}
</style>
