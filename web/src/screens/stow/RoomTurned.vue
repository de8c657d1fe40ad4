<script setup lang="ts">
/** The compartment in the round: dragged or turned by keys, with names on what is pointed at and in a list beside. Software
 * WebGL is enough for it. */
import { useElementSize } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Placed, RoomUse } from '@/api/types'
import TabRow from '@/components/TabRow.vue'
import { useKeys } from '@/composables/useKeys'
import { Round, SEEN_FROM, type SeenFrom } from '@/drawing/round'
import { reach } from '@/wording/stow'

const props = defineProps<{ room: RoomUse; placed: Placed[]; picked: string | null; group: (block: Placed) => string; name: (block: Placed) => string }>()
const emit = defineEmits<{ pick: [block: string | null] }>()
const box = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(box)
const unavailable = ref(false)
const pointed = ref<{ block: string; x: number; y: number } | null>(null)
const seen = ref<SeenFrom | null>(null)
const STEP = 0.12
const VIEWS = (Object.keys(SEEN_FROM) as SeenFrom[]).map((name) => ({ name, title: name }))
const KEYS: Record<string, [number, number]> = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, STEP], ArrowDown: [0, -STEP] }

let round: Round | null = null
let pressed: { x: number; y: number } | null = null

function look(from: SeenFrom): void {
  seen.value = from
  leave()
  round?.look(from)
}
useKeys([{ key: 'v', does: 'Look from above, from the front, from the side', run: () => look(VIEWS[(VIEWS.findIndex((v) => v.name === seen.value) + 1) % VIEWS.length]!.name) }])

function by(across: number, up: number): void {
  seen.value = null
  round?.turn(across, up)
}
function move(event: PointerEvent): void {
  if (event.buttons & 1) {
    pointed.value = null
    by(-event.movementX / 120, event.movementY / 120)
    return
  }
  const at = box.value!.getBoundingClientRect()
  const [x, y] = [event.clientX - at.left, event.clientY - at.top]
  const block = round?.at(x, y)
  pointed.value = block ? { block, x, y } : null
  round?.show(block ?? props.picked)
}
function up(event: PointerEvent): void {
  const still = pressed && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 4
  pressed = null
  if (!still || !box.value) return
  const at = box.value.getBoundingClientRect()
  emit('pick', round?.at(event.clientX - at.left, event.clientY - at.top) ?? null)
}
function key(event: KeyboardEvent): void {
  const step = KEYS[event.key]
  if (!step) return
  by(...step)
  event.preventDefault()
}
function leave(): void {
  pointed.value = null
  round?.show(props.picked)
}
const build = (): void => round?.build(props.room, props.placed, props.group, props.picked)
const named = (block: string): string => props.name(props.placed.find((p) => p.block === block)!)
onMounted(() => {
  round = Round.on(box.value!)
  unavailable.value = !round
  build()
  round?.resize(width.value, height.value)
})
watch(() => [props.room, props.placed], build)
watch(() => props.picked, (block) => round?.show(block))
watch([width, height], () => round?.resize(width.value, height.value))
onBeforeUnmount(() => round?.dispose())
</script>

<template>
  <div class="around">
    <div ref="box" class="turned" tabindex="0" role="img" :aria-label="`${room.name} in 3D; drag or use the arrow keys to turn it`" @pointerdown="pressed = { x: $event.clientX, y: $event.clientY }" @pointermove="move" @pointerup="up" @pointerleave="leave" @keydown="key">
      <p v-if="unavailable" class="quiet">This browser cannot draw in 3D. Plan and section show the same.</p>
      <span v-if="pointed" class="named" :style="{ left: `${pointed.x}px`, top: `${pointed.y}px` }">{{ named(pointed.block) }}</span>
    </div>
    <div class="beside">
      <span class="quiet">Look from (key v)</span>
      <TabRow label="Look from" way :tabs="VIEWS" :model-value="seen" @update:model-value="$event && look($event)" />
      <ul class="list" aria-label="Items here">
        <li v-for="p in placed" :key="p.block">
          <button type="button" class="thing" :aria-pressed="p.block === picked" @click="emit('pick', p.block)" @pointerenter="round?.show(p.block)" @pointerleave="leave" @focus="round?.show(p.block)" @blur="leave">
            <span class="mark" :class="{ deep: p.layer > 0 }" aria-hidden="true" /><span>{{ name(p) }} <span class="quiet">{{ reach(p, room) }}</span></span>
          </button>
        </li>
      </ul>
      <p class="quiet">Hatched: buried under something else.</p>
    </div>
  </div>
</template>

<style scoped>
.around {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 14px;
}
.turned {
  position: relative;
  min-height: 300px;
  min-width: 0;
  overflow: hidden;
  cursor: grab;
  border-radius: 5px;
  touch-action: none;
}
.named {
  position: absolute;
  transform: translate(12px, -130%);
  padding: 2px 7px;
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--text-small);
  pointer-events: none;
  white-space: nowrap;
}
.beside {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.list {
  margin: 0;
  padding: 0;
  list-style: none;
}
.thing {
  display: flex;
  gap: 7px;
  align-items: baseline;
  width: 100%;
  padding: 4px 2px;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
}
.thing[aria-pressed='true'] {
  font-weight: 700;
}
.mark {
  flex: none;
  width: 10px;
  height: 10px;
  border: 1px solid var(--muted);
}
.mark.deep {
  background: repeating-linear-gradient(-45deg, transparent 0 2px, var(--muted) 2px 3px);
}
p {
  margin: 0;
}
@media (max-width: 1000px) {
  .around {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
