<script setup lang="ts">
/** Everything owned, drawn to one scale from its real size: loaded things solid, left things outlines. */
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { Thing } from '@/api/types'
import { useUnits } from '@/composables/useSession'
import { bestScale, layOut } from '@/drawing/mat'
import type { Group } from '@/wording/kinds'
import { cellOf, lay, type MatThing as MatThingData, matThings } from './mat-cells'
import MatThing from './MatThing.vue'
import TabRow from '@/components/TabRow.vue'

const props = defineProps<{ things: Map<string, Thing>; loaded: Map<string, number> }>()
const emit = defineEmits<{ load: [item: string, count: number]; leave: [item: string, count: number | null]; open: [item: string]; drag: [item: string | null] }>()

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
const { width, height } = useElementSize(box)

/** A mat with more than this on it shows nothing any more; the finder and the filters reach the rest. */
const MOST_SHOWN = 300
const found = computed(() => matThings(props.things.values(), FILTERS[filter.value]?.groups ?? null, find.value))
const crowded = computed(() => found.value.length > MOST_SHOWN)
const shown = shallowRef<MatThingData[]>([])
/** In a crowd, what is loaded is always shown, and what is shown stays while the search does: nothing jumps on a click. */
watch(
  [found, () => props.loaded],
  ([now], [before]) => {
    const shownNow = now === before ? shown.value : []
    const kept = new Set(shownNow.map((t) => t.thing.id))
    const missing = now.filter((t) => count(t.thing.id) > 0 && !kept.has(t.thing.id))
    if (now === before && (!crowded.value || missing.length === 0)) return
    for (const one of [...missing, ...now]) {
      if (kept.size >= MOST_SHOWN && !missing.includes(one)) break
      kept.add(one.thing.id)
    }
    shown.value = crowded.value ? now.filter((t) => kept.has(t.thing.id)) : now
  },
  { immediate: true },
)
const room = computed(() => Math.max(200, width.value - 2 * PAD))
const scale = computed(() =>
  bestScale((s) => layOut(shown.value.map((t) => cellOf(t, s)), room.value).height <= height.value - PAD - 22, 0.46, 0.72),
)
const laid = computed(() => lay(shown.value, scale.value, room.value))

function count(id: string): number {
  return props.loaded.get(id) ?? 0
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
function drag(event: DragEvent, item: string): void {
  // Some browsers drag nothing that carries nothing.
  event.dataTransfer?.setData('text/plain', props.things.get(item)?.name ?? item)
  emit('drag', item)
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
  <section class="panel" aria-label="The mat">
    <header class="panel-head">
      <h2>Bench <span class="quiet">To one scale. Click to load or leave, drag into a bag.</span></h2>
      <input ref="finder" v-model="find" class="find" type="search" placeholder="find /" aria-label="Find gear on the mat" @keydown.enter.prevent="leaveFinder" @keydown.esc="find = ''" />
      <TabRow v-model="filter" label="Show" :tabs="FILTERS.map((f, index) => ({ name: index, title: f.title }))" />
    </header>
    <div ref="box" class="mat" :style="{ '--grid': `${scale * 100}px` }">
      <div class="cloth" :style="{ height: `${laid.height + PAD + 20}px` }" role="group" aria-label="Gear">
        <MatThing
          v-for="cell in laid.cells"
          :key="cell.id"
          v-memo="[cell, count(cell.id), cell.id === focusable, units]"
          :one="cell.one"
          :step="cell.step"
          :scale="scale"
          :loaded="count(cell.id)"
          :units="units"
          :style="{ left: `${cell.x + PAD}px`, top: `${cell.y + PAD}px`, width: `${cell.width - 6}px` }"
          :tabindex="cell.id === focusable ? 0 : -1"
          @toggle="toggle(cell.one.thing)"
          @change="change(cell.one.thing, $event)"
          @keydown="key($event, cell.one.thing)"
          @focus="current = cell.id"
          draggable="true"
          @dragstart="drag($event, cell.id)"
          @dragend="emit('drag', null)"
          @contextmenu.prevent="emit('open', cell.id)"
        />
      </div>
      <div v-if="shown.length === 0" class="empty">
        {{ things.size ? 'No item by that name.' : 'Your locker is empty. Add your gear there first.' }}
        <RouterLink v-if="!things.size" :to="{ name: 'locker' }" class="link">To the locker</RouterLink>
      </div>
      <p v-if="crowded" class="more">{{ found.length - shown.length }} more items do not fit on the mat: find them by name, or show one kind only.</p>
      <div v-if="shown.length" class="ruler" aria-hidden="true"><i :style="{ width: `${scale * 100}px` }" /> 100 mm</div>
    </div>
  </section>
</template>

<style scoped>
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
  background-repeat: repeat;
  border-radius: var(--corner);
}
.cloth {
  position: relative;
}
.more {
  color: var(--mat-muted);
  padding: 0 14px 24px;
  margin: 0;
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
