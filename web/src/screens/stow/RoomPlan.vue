<script setup lang="ts">
/** One compartment, true to scale: seen from the front, and cut along the dashed line. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Placed, RoomUse, Thing } from '@/api/types'
import { features, walls, wallsCut, type Feature } from '@/drawing/dividers'
import { plan, section, type Face, type Free } from '@/drawing/stow'
import * as fmt from '@/format/units'
import { useUnits } from '@/composables/useSession'
import FaceShape from './FaceShape.vue'
import KindPatterns from './KindPatterns.vue'

const props = defineProps<{ room: RoomUse; placed: Placed[]; picked: string | null; free: Free | null; cut: number; line: number; away: ReadonlySet<string>; name: (block: Placed) => string; group: (block: Placed) => string; thing: (id: string) => Thing | undefined }>()
const emit = defineEmits<{ pick: [block: string | null]; point: [x: number, y: number]; pin: [block: string, at: [number, number, number]] }>()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(box)
const EDGE = 9
const BETWEEN = 26
/** Pixels a pointer may tremble before it drags. */
const DRAG = 4
const NUDGE_MM = 5

const size = computed(() => props.room.size_mm)
const scale = computed(() => {
  const [x, y, z] = size.value
  const wide = (Math.max(width.value, 240) - 2 * EDGE - 2) / x!
  const high = (Math.max(height.value, 240) - 4 * EDGE - BETWEEN) / (y! + z!)
  return Math.min(wide, high, 2.2)
})
const wide = computed(() => size.value[0]! * scale.value)
const high = computed(() => size.value[1]! * scale.value)
const deep = computed(() => size.value[2]! * scale.value)
const top = computed(() => plan(props.placed, scale.value, props.cut, props.name))
const side = computed(() => section(props.placed, props.room, scale.value, props.line, props.name))
const standing = computed(() => walls(props.room, scale.value))
const cutWalls = computed(() => wallsCut(props.room, scale.value, props.line))
function lines(face: Face): Feature[] {
  const placed = by.value.get(face.block)!
  return features(placed, props.thing(placed.items[0]!), face, scale.value)
}
const by = computed(() => new Map(props.placed.map((p) => [p.block, p])))
const sectionTop = computed(() => high.value + 2 * EDGE + BETWEEN)

const drag = ref<{ block: string; x: number; y: number; dx: number; dy: number } | null>(null)
const moving = computed(() => (drag.value && Math.hypot(drag.value.dx, drag.value.dy) > DRAG ? drag.value : null))

function down(block: string, event: PointerEvent): void {
  emit('pick', block)
  drag.value = { block, x: event.clientX, y: event.clientY, dx: 0, dy: 0 }
  ;(event.currentTarget as Element).setPointerCapture?.(event.pointerId)
}
function move(event: PointerEvent): void {
  if (drag.value) drag.value = { ...drag.value, dx: event.clientX - drag.value.x, dy: event.clientY - drag.value.y }
}
function up(): void {
  if (moving.value) shift(moving.value.block, moving.value.dx / scale.value, moving.value.dy / scale.value)
  drag.value = null
}
/** Pins a thing so many millimetres away, kept inside. */
function shift(block: string, dx: number, dy: number): void {
  const p = by.value.get(block)
  if (!p) return
  const at = (k: 0 | 1, by: number): number => Math.round(Math.min(Math.max(p.at_mm[k]! + by, 0), size.value[k]! - p.size_mm[k]!))
  emit('pin', block, [at(0, dx), at(1, dy), p.at_mm[2]!])
}
const NUDGES: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function key(block: string, event: KeyboardEvent): void {
  const nudge = NUDGES[event.key]
  if (event.key === 'Enter' || event.key === ' ') emit('pick', block)
  else if (nudge) shift(block, nudge[0] * NUDGE_MM, nudge[1] * NUDGE_MM)
  else return
  event.preventDefault()
  event.stopPropagation()
}
function point(event: MouseEvent): void {
  const at = (event.currentTarget as Element).getBoundingClientRect()
  emit('point', (event.clientX - at.left) / scale.value, (event.clientY - at.top) / scale.value)
}
</script>

<template>
  <div ref="box" class="box">
    <svg :width="wide + 2 * EDGE" :height="sectionTop + deep + 2 * EDGE" role="group" :aria-label="`${room.name}, drawn to scale`">
      <KindPatterns />
      <g :transform="`translate(${EDGE} ${EDGE})`">
        <rect class="room" :x="-EDGE" :y="-EDGE" :width="wide + 2 * EDGE" :height="high + 2 * EDGE" rx="5" />
        <rect class="inside" :width="wide" :height="high" @click="point" />
        <rect v-for="(wall, index) in standing" :key="`wall-${index}`" class="wall" :x="wall.x" :y="wall.y" :width="wall.width" :height="wall.height"><title>Divider, {{ fmt.side(wall.length, units) }} long, as deep as the space</title></rect>
        <g
          v-for="face in top"
          :key="face.block"
          class="face"
          :class="{ picked: face.block === picked, beyond: face.beyond, away: away.has(face.block) }"
          :transform="moving?.block === face.block ? `translate(${moving.dx} ${moving.dy})` : undefined"
          role="button"
          tabindex="0"
          :aria-pressed="face.block === picked"
          :aria-label="`${name(by.get(face.block)!)}${away.has(face.block) ? ', not here yet' : ''}; arrow keys move and pin it`"
          @pointerdown="down(face.block, $event)"
          @pointermove="move"
          @pointerup="up"
          @keydown="key(face.block, $event)"
        >
          <title>{{ name(by.get(face.block)!) }}{{ away.has(face.block) ? ', not here yet: its place is kept' : '' }}</title>
          <FaceShape :face="face" :group="group(by.get(face.block)!)" :pinned="by.get(face.block)!.pinned" :features="lines(face)" :deep="by.get(face.block)!.layer > 0" />
        </g>
        <rect v-if="free" class="free" :x="free.at[0] * scale" :y="free.at[1] * scale" :width="free.size[0] * scale" :height="free.size[1] * scale" />
        <text v-if="free" class="free-text" :x="(free.at[0] + free.size[0] / 2) * scale" :y="(free.at[1] + free.size[1] / 2) * scale + 4">{{ fmt.sides(free.size, units) }}</text>
        <line class="cut" x1="0" :x2="wide" :y1="line * scale" :y2="line * scale" />
      </g>
      <g :transform="`translate(${EDGE} ${sectionTop + EDGE})`" aria-hidden="true">
        <text class="label" :x="-EDGE" :y="-EDGE - 6">section along the dashed line; the back of the bag is at the bottom</text>
        <rect class="room" :x="-EDGE" :y="-EDGE" :width="wide + 2 * EDGE" :height="deep + 2 * EDGE" rx="5" />
        <rect v-for="(wall, index) in cutWalls" :key="`wall-${index}`" class="wall" :x="wall.x" :y="wall.y" :width="wall.width" :height="wall.height" />
        <g v-for="face in side" :key="face.block" class="face" :class="{ picked: face.block === picked, away: away.has(face.block) }" @click="emit('pick', face.block)">
          <FaceShape :face="face" :group="group(by.get(face.block)!)" :pinned="by.get(face.block)!.pinned" :features="lines(face)" :deep="by.get(face.block)!.layer > 0" />
        </g>
        <line class="cut" x1="0" :x2="wide" :y1="deep - cut * scale" :y2="deep - cut * scale" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.box {
  flex: 1;
  min-height: 0;
  min-width: 0;
  overflow: hidden;
}
/* A heading may be wider than a slim room. */
svg {
  display: block;
  margin: 0 auto;
  overflow: visible;
}
.room {
  fill: var(--mat);
  stroke: var(--mat-line);
}
.inside {
  fill: transparent;
  cursor: crosshair;
}
.wall {
  fill: var(--mat-figure);
  fill-opacity: 0.55;
}
.face {
  cursor: grab;
  touch-action: none;
}
.face:focus-visible {
  outline: none;
}
.face :deep(.shape) {
  stroke: var(--thing-line);
  stroke-width: 1.5;
}
.away :deep(.shape) {
  stroke-dasharray: 5 4;
  fill-opacity: 0.45;
}
.beyond :deep(.shape) {
  fill: none;
  stroke: var(--mat-muted);
  stroke-dasharray: 4 3;
}
.beyond :deep(.hatch),
.beyond :deep(text) {
  display: none;
}
.picked :deep(.shape),
.face:focus-visible :deep(.shape) {
  stroke: var(--foot-over);
  stroke-width: 4;
}
.free {
  fill: none;
  stroke: var(--mat-figure);
  stroke-dasharray: 5 4;
  pointer-events: none;
}
.free-text {
  fill: var(--mat-figure);
  text-anchor: middle;
  font-size: var(--text-small);
  pointer-events: none;
}
.cut {
  stroke: var(--foot-over);
  stroke-dasharray: 7 4;
  pointer-events: none;
}
.label {
  fill: var(--muted);
  font-size: var(--text-small);
}
</style>
