<script setup lang="ts">
/** The trade curve: grams carried against brief covered, with limits and the kits at hand drawn in. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Line, Point } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { lanes } from '@/drawing/axis'
import { curveScale, frontier, namesApart, stairs, type Axis } from '@/drawing/curve'
import * as fmt from '@/format/units'

interface KitMark {
  id: string
  name: string
  carried_g: number
  score: number
}
const props = defineProps<{ points: Point[]; lines: Line[]; kits: KitMark[]; chosen: number; names: Names; axis: Axis }>()
const emit = defineEmits<{ choose: [index: number] }>()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(box)
const frame = computed(() => ({ left: 52, right: Math.max(300, width.value - 12), top: 10, bottom: Math.max(140, height.value - 40) }))
/** Limits a little past the last kit are in sight too: they say why it ends there. */
const NEAR = 1.1
/** Of own kits no day's bag was looked for, and limits of legs say nothing of it. */
const own = computed(() => (props.axis === 'day' ? [] : props.kits))
const lines = computed(() => (props.axis === 'day' ? [] : props.lines))
const drawn = computed(() => props.points.flatMap((point, index) => (gramsOf(point) === null ? [] : [{ point, index, grams: gramsOf(point) ?? 0, score: point.score }])))
function gramsOf(point: Point): number | null {
  return props.axis === 'day' ? (point.by_days?.heaviest_g ?? null) : point.carried_g
}
const scale = computed(() => {
  const kits = [...drawn.value, ...own.value]
  const grams = [...drawn.value.map((p) => p.grams), ...own.value.map((k) => k.carried_g)]
  const near = lines.value.map((l) => l.carried_g).filter((g) => g > Math.min(...grams) && g < NEAR * Math.max(...grams))
  return curveScale([...grams, ...near], kits.map((p) => p.score), frame.value)
})
/** Kits that stand close together share a label: names on top of each other cannot be read. */
const kitNames = computed(() => namesApart(own.value.map((k) => ({ x: scale.value.x(k.carried_g), y: scale.value.y(k.score), name: k.name }))))
const dots = computed(() => drawn.value.map((p) => ({ ...p, x: scale.value.x(p.grams), y: scale.value.y(p.score) })))
const path = computed(() => stairs(frontier(dots.value)))
const limits = computed(() => {
  const inside = lines.value.map((line) => ({ line, x: scale.value.x(line.carried_g) })).filter((l) => l.x > frame.value.left && l.x < frame.value.right)
  const lane = lanes(inside.map((l) => ({ x: l.x, width: 170 })))
  return inside.map((l, i) => ({ ...l, text: limitText(l.line), lane: lane[i] ?? 0 }))
})
function limitText(line: Line): string {
  const grams = fmt.limit(line.carried_g, units.value)
  if (line.what === 'leg') return `${props.names.leg(line.ref)}, ${grams}`
  return line.what === 'share' ? `${fmt.percent(line.share ?? 0)} of body mass, ${grams}` : `comfortable load, ${grams}`
}
function step(event: KeyboardEvent, by: number): void {
  event.preventDefault()
  emit('choose', Math.min(Math.max(0, props.chosen + by), props.points.length - 1))
}
function title(p: Point): string {
  const state = p.proved ? 'proved: the best at that mass' : `not proved; at most ${fmt.figure(p.bound, 1)} % is possible`
  return `${fmt.load(gramsOf(p) ?? p.carried_g, units.value)}${props.axis === 'day' ? ' on the heaviest day' : ''}: ${fmt.figure(p.score, 1)} % of the brief, ${state}`
}
</script>

<template>
  <div ref="box" class="box">
    <svg
      v-if="width && points.length"
      :width="width"
      :height="frame.bottom + 40"
      role="listbox"
      tabindex="0"
      aria-label="Trade curve: kits from light to complete"
      :aria-activedescendant="`point-${chosen}`"
      @keydown.right="step($event, 1)"
      @keydown.left="step($event, -1)"
      @keydown.up="step($event, 1)"
      @keydown.down="step($event, -1)"
    >
      <rect :x="frame.left" :y="frame.top" :width="frame.right - frame.left" :height="frame.bottom - frame.top" class="back" />
      <g v-for="tick in scale.yTicks" :key="tick.score">
        <line :x1="frame.left" :x2="frame.right" :y1="tick.y" :y2="tick.y" class="grid" />
        <text :x="frame.left - 7" :y="tick.y + 4" text-anchor="end">{{ tick.score }} %</text>
      </g>
      <g v-for="tick in scale.xTicks" :key="tick.grams">
        <line :x1="tick.x" :x2="tick.x" :y1="frame.bottom" :y2="frame.bottom + 5" class="tick" />
        <text :x="tick.x" :y="frame.bottom + 18" text-anchor="middle">{{ fmt.limit(tick.grams, units) }}</text>
      </g>
      <text :x="frame.right" :y="frame.bottom + 34" text-anchor="end" class="axis">{{ axis === 'day' ? 'heaviest day’s bag, with the gear its carrier wears' : 'carried in bags and pockets, without hold bags, water and food' }}</text>
      <text :x="frame.left + 5" :y="frame.top + 15" class="axis">brief covered</text>
      <g v-for="limit in limits" :key="limit.text">
        <line :x1="limit.x" :x2="limit.x" :y1="frame.top" :y2="frame.bottom" class="limit" :class="limit.line.what" />
        <text :x="limit.x > frame.right - 170 ? limit.x - 5 : limit.x + 5" :y="frame.bottom - 8 - 15 * limit.lane" :text-anchor="limit.x > frame.right - 170 ? 'end' : 'start'" class="limit-text" :class="limit.line.what">{{ limit.text }}</text>
      </g>
      <path :d="path" class="stairs" />
      <g v-for="dot in dots" :id="`point-${dot.index}`" :key="dot.point.carried_g" role="option" class="dot" :aria-selected="dot.index === chosen" @click="emit('choose', dot.index)">
        <title>{{ title(dot.point) }}</title>
        <circle :cx="dot.x" :cy="dot.y" r="12" class="hit" />
        <circle :cx="dot.x" :cy="dot.y" :r="dot.index === chosen ? 9 : 5.5" :class="{ chosen: dot.index === chosen, open: !dot.point.proved }" />
      </g>
      <g v-for="(kit, index) in own" :key="kit.id">
        <rect x="-6" y="-6" width="12" height="12" :transform="`translate(${scale.x(kit.carried_g)} ${scale.y(kit.score)}) rotate(45)`" class="kit" />
        <text v-if="kitNames[index]" :x="scale.x(kit.carried_g) + (index ? 11 : -10)" :y="scale.y(kit.score) + 17" :text-anchor="index ? 'start' : 'end'" class="kit-text">{{ kitNames[index] }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.box {
  min-height: 180px;
  overflow: hidden;
}
svg {
  display: block;
}
text {
  font-stretch: var(--narrow);
  font-size: var(--text-small);
  fill: var(--muted);
}
.back {
  fill: var(--sheet);
  stroke: var(--line);
}
.grid {
  stroke: var(--line);
}
.tick {
  stroke: var(--muted);
}
.limit {
  stroke: var(--muted);
  stroke-width: 1.5;
  stroke-dasharray: 6 4;
}
.limit.leg {
  stroke: var(--rust);
}
.limit-text.leg {
  fill: var(--rust);
  font-weight: 700;
}
.stairs {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.dot {
  cursor: pointer;
}
.hit {
  fill: transparent;
}
.dot circle:not(.hit) {
  fill: var(--ink);
  stroke: var(--ink);
  stroke-width: 2;
}
.dot circle.open:not(.hit) {
  fill: var(--sheet);
}
.dot circle.chosen:not(.hit) {
  fill: var(--saddle);
}
.kit {
  fill: var(--ochre);
  stroke: var(--ink);
}
.kit-text {
  fill: var(--ink);
  font-weight: 600;
}
</style>
