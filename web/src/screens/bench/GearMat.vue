<script setup lang="ts">
/** Everything owned, drawn to one scale from its real size: loaded things solid, left things outlines. */
import { computed, nextTick, ref } from 'vue'
import type { Thing } from '@/api/types'
import { useSize } from '@/composables/useSize'
import { useUnits } from '@/composables/useSession'
import { bestScale, layOut } from '@/drawing/mat'
import * as fmt from '@/format/units'
import { ABSENCE, type Group, groupOf } from '@/wording/kinds'
import { cellOf, drawnWidth, MOST_DRAWN, matThings, pieceStep } from './mat-cells'

const props = defineProps<{ things: Map<string, Thing>; loaded: Map<string, number> }>()
const emit = defineEmits<{ load: [item: string, count: number]; leave: [item: string, count: number | null]; open: [item: string] }>()

const PAD = 14
const FILTERS: { title: string; groups: Group[] | null }[] = [
  { title: 'all', groups: null },
  { title: 'optics', groups: ['optics', 'filters'] },
  { title: 'power', groups: ['power'] },
  { title: 'cards', groups: ['cards'] },
  { title: 'support', groups: ['support', 'light-sound'] },
  { title: 'bags', groups: ['carry'] },
  { title: 'the rest', groups: ['safety', 'other'] },
]
const filter = ref(0)
const find = ref('')
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const finder = ref<HTMLInputElement | null>(null)
const { width, height } = useSize(box)

const shown = computed(() => matThings(props.things.values(), FILTERS[filter.value]?.groups ?? null, find.value))
const room = computed(() => Math.max(200, width.value - 2 * PAD))
const scale = computed(() =>
  bestScale((s) => layOut(shown.value.map((t) => cellOf(t, s)), room.value).height <= height.value - PAD - 22, 0.46, 0.72),
)
const laid = computed(() => {
  const layout = layOut(shown.value.map((one) => cellOf(one, scale.value)), room.value)
  return {
    height: layout.height,
    cells: layout.cells.map((cell, index) => ({ ...cell, one: shown.value[index]!, step: pieceStep(shown.value[index]!.drawn, shown.value[index]!.pieces, scale.value) })),
  }
})

function count(id: string): number {
  return props.loaded.get(id) ?? 0
}
function solid(id: string, piece: number, total: number): boolean {
  // Of a pile only the first few are drawn; they are solid when as many or more are loaded.
  return piece < Math.min(count(id), total)
}
function figure(thing: Thing): string {
  const owned = thing.count ?? 1
  const n = count(thing.id)
  const grams = fmt.mass(thing.mass_g * Math.max(n, 1), units.value)
  const away = thing.absent ? ` · ${ABSENCE[thing.absent.reason]}` : ''
  return (owned > 1 ? `${n} of ${owned} · ${grams}` : grams) + away
}
function spoken(thing: Thing): string {
  const n = count(thing.id)
  const owned = thing.count ?? 1
  const state = n === 0 ? 'left' : owned > 1 ? `${n} of ${owned} loaded` : 'loaded'
  const away = thing.absent ? `, ${ABSENCE[thing.absent.reason]}` : ''
  return `${thing.name}, ${fmt.mass(thing.mass_g, units.value)}, ${state}${away}`
}

/** Load or leave the whole thing: all pieces that are here, or none. */
function toggle(thing: Thing): void {
  if (count(thing.id) > 0) emit('leave', thing.id, null)
  else emit('load', thing.id, thing.count ?? 1)
}
function change(thing: Thing, by: number): void {
  const n = count(thing.id)
  if (by > 0 && n < (thing.count ?? 1)) emit('load', thing.id, 1)
  if (by < 0 && n > 0) emit('leave', thing.id, 1)
}
function click(event: MouseEvent, thing: Thing): void {
  const piece = (event.target as Element).closest<SVGElement>('[data-piece]')
  if ((thing.count ?? 1) > 1 && piece) change(thing, piece.dataset.solid === 'true' ? -1 : 1)
  else toggle(thing)
}

const current = ref<string | null>(null)
const focusable = computed(() => (shown.value.some((t) => t.thing.id === current.value) ? current.value : shown.value[0]?.thing.id))

/** The nearest thing in the direction of the arrow. */
function neighbour(id: string, key: string): string | undefined {
  const from = laid.value.cells.find((c) => c.id === id)
  if (!from) return undefined
  const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key] ?? [0, 0]
  const middle = (c: { x: number; y: number; width: number; height: number }) => ({ x: c.x + c.width / 2, y: c.y + c.height / 2 })
  const a = middle(from)
  const ahead = laid.value.cells
    .filter((c) => c.id !== id)
    .map((c) => ({ id: c.id, x: middle(c).x - a.x, y: middle(c).y - a.y }))
    .map((c) => ({ ...c, along: c.x * dx + c.y * dy, across: Math.abs(c.x * dy) + Math.abs(c.y * dx) }))
    .filter((c) => c.along > 4)
    .sort((p, q) => p.along + 2.5 * p.across - (q.along + 2.5 * q.across))
  return ahead[0]?.id
}
function key(event: KeyboardEvent, thing: Thing): void {
  const next = event.key.startsWith('Arrow') ? neighbour(thing.id, event.key) : undefined
  const acts: Record<string, () => void> = {
    ' ': () => toggle(thing),
    Enter: () => emit('open', thing.id),
    '+': () => change(thing, 1),
    '-': () => change(thing, -1),
  }
  const act = next ? () => void focus(next) : acts[event.key]
  if (act) {
    event.preventDefault()
    event.stopPropagation()
    act()
  }
}
async function focus(id: string): Promise<void> {
  current.value = id
  await nextTick()
  box.value?.querySelector<HTMLElement>(`[data-thing="${id}"]`)?.focus()
}
function toFinder(): void {
  finder.value?.focus()
  finder.value?.select()
}
function leaveFinder(): void {
  const first = shown.value[0]
  if (first) void focus(first.thing.id)
}
defineExpose({ toFinder })
</script>

<template>
  <section class="bench" aria-label="The mat">
    <header class="top">
      <h2>Bench <span class="quiet">everything you could take, drawn to one scale. Click to load or leave.</span></h2>
      <input ref="finder" v-model="find" class="find" type="search" placeholder="find  /" aria-label="Find gear on the mat" @keydown.enter.prevent="leaveFinder" @keydown.esc="find = ''" />
      <div class="filters" role="group" aria-label="Show">
        <button v-for="(f, index) in FILTERS" :key="f.title" class="tab" type="button" :aria-pressed="filter === index" @click="filter = index">{{ f.title }}</button>
      </div>
    </header>
    <div ref="box" class="mat" :style="{ '--grid': `${scale * 100}px` }">
      <div class="cloth" :style="{ height: `${laid.height + PAD + 20}px` }" role="group" aria-label="Gear">
        <button
          v-for="cell in laid.cells"
          :key="cell.id"
          v-memo="[cell, count(cell.id), cell.id === focusable, units]"
          type="button"
          class="thing"
          :class="[`g-${groupOf(cell.one.thing.kind)}`, { outlined: count(cell.id) === 0 }]"
          :style="{ left: `${cell.x + PAD}px`, top: `${cell.y + PAD}px`, width: `${cell.width - 6}px` }"
          :data-thing="cell.id"
          :tabindex="cell.id === focusable ? 0 : -1"
          :aria-pressed="count(cell.id) > 0"
          :aria-label="spoken(cell.one.thing)"
          @click="click($event, cell.one.thing)"
          @keydown="key($event, cell.one.thing)"
          @focus="current = cell.id"
          @contextmenu.prevent="emit('open', cell.id)"
        >
          <svg
            :width="drawnWidth(cell.one, scale) + 3"
            :height="cell.one.drawn.height * scale + 3"
            :viewBox="`${-1.5 / scale} ${-1.5 / scale} ${drawnWidth(cell.one, scale) / scale + 3 / scale} ${cell.one.drawn.height + 3 / scale}`"
            aria-hidden="true"
          >
            <g
              v-for="piece in cell.one.pieces"
              :key="piece"
              :transform="`translate(${((piece - 1) * cell.step) / scale} 0)`"
              :class="solid(cell.id, piece - 1, cell.one.pieces) ? 'solid' : 'ghost'"
              data-piece
              :data-solid="solid(cell.id, piece - 1, cell.one.pieces)"
            >
              <path v-for="(stroke, index) in cell.one.drawn.strokes" :key="index" :d="stroke.d" :class="stroke.role" vector-effect="non-scaling-stroke" />
            </g>
          </svg>
          <span class="name">{{ cell.one.label }}</span>
          <span class="grams">{{ figure(cell.one.thing) }}<template v-if="(cell.one.thing.count ?? 1) > MOST_DRAWN"> ⋯</template></span>
        </button>
      </div>
      <div v-if="shown.length === 0" class="empty">
        {{ things.size ? 'Nothing here by that name.' : 'The locker is empty. Add your gear there first.' }}
        <RouterLink v-if="!things.size" :to="{ name: 'locker' }" class="link">To the locker</RouterLink>
      </div>
      <div class="ruler" aria-hidden="true"><i :style="{ width: `${scale * 100}px` }" /> 100 mm</div>
    </div>
  </section>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.top {
  display: flex;
  align-items: baseline;
  gap: 16px;
  margin-bottom: 6px;
}
.top h2 {
  flex: 1;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.filters {
  display: flex;
  gap: 11px;
}
.find {
  width: 92px;
  font: inherit;
  font-stretch: var(--narrow);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--corner);
  padding: 1px 8px;
}
.mat {
  flex: 1;
  min-height: 0;
  overflow: auto;
  position: relative;
  background-color: var(--mat);
  background-image: linear-gradient(var(--mat-line) 1px, transparent 1px), linear-gradient(90deg, var(--mat-line) 1px, transparent 1px);
  background-size: var(--grid) var(--grid);
  border-radius: var(--corner);
}
.cloth {
  position: relative;
}
.thing {
  position: absolute;
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
  color: var(--mat-ink);
  text-align: left;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  border-radius: var(--corner);
}
.thing svg {
  display: block;
  max-width: none;
  margin-bottom: 1px;
}
.outline,
.detail {
  stroke: var(--thing-line);
  stroke-width: 1.3;
  stroke-linejoin: round;
}
.detail {
  fill: none;
  stroke-width: 0.9;
}
.outline {
  fill: var(--thing);
}
.dark {
  fill: var(--thing-line);
  fill-opacity: 0.35;
}
.g-power .outline {
  fill: var(--thing-power);
}
.g-cards .outline {
  fill: var(--thing-cards);
}
.ghost .outline {
  fill: var(--mat);
  stroke: var(--mat-muted);
  stroke-dasharray: 3 3;
  stroke-width: 1.1;
}
.ghost .detail {
  stroke: var(--mat-muted);
  stroke-opacity: 0.5;
  stroke-dasharray: 2 4;
}
.ghost .dark {
  fill: none;
}
.thing:hover .outline {
  stroke: var(--foot-fill);
  stroke-width: 1.8;
}
.name,
.grams {
  font-size: var(--text-tiny);
  line-height: 13px;
  font-stretch: var(--narrow);
  max-width: 100%;
}
.name {
  font-weight: 650;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
}
.grams {
  white-space: nowrap;
}
.grams {
  color: var(--mat-figure);
  font-variant-numeric: tabular-nums;
}
.outlined .name {
  font-weight: 400;
}
.outlined .name,
.outlined .grams {
  color: var(--mat-muted);
}
.empty {
  color: var(--mat-ink);
  padding: 24px;
}
.ruler {
  position: sticky;
  bottom: 6px;
  left: 100%;
  width: max-content;
  margin: -18px 10px 0 auto;
  color: var(--mat-muted);
  font-size: var(--text-tiny);
  font-stretch: var(--narrow);
  display: flex;
  gap: 6px;
  align-items: center;
  background: var(--mat);
  padding: 0 4px;
}
.ruler i {
  height: 5px;
  border: 1px solid var(--mat-muted);
  border-top: 0;
}
.link {
  color: var(--mat-figure);
}
</style>
