<script setup lang="ts">
/** One thing on the mat: its pieces drawn to scale, solid when loaded, an outline when left; its name and grams below. */
import { computed } from 'vue'
import type { Units } from '@/api/types'
import PictureInside from '@/components/PictureInside.vue'
import * as fmt from '@/format/units'
import { ABSENCE, groupOf } from '@/wording/kinds'
import { drawnWidth, type MatThing, MOST_DRAWN } from './mat-cells'

const props = defineProps<{ one: MatThing; step: number; scale: number; loaded: number; units: Units }>()
const emit = defineEmits<{ toggle: []; change: [by: 1 | -1] }>()

const thing = computed(() => props.one.thing)
const owned = computed(() => thing.value.count ?? 1)
const away = computed(() => (thing.value.absent ? ABSENCE[thing.value.absent.reason] : ''))
const figure = computed(() => {
  const grams = fmt.mass(thing.value.mass_g * Math.max(props.loaded, 1), props.units)
  const counted = owned.value > 1 ? `${props.loaded} of ${owned.value} · ${grams}` : grams
  return counted + (away.value ? ` · ${away.value}` : '') + (owned.value > MOST_DRAWN ? ' ⋯' : '')
})
/** What is read aloud begins with what is seen. */
const spoken = computed(() => `${thing.value.name}, ${figure.value}, ${props.loaded === 0 ? 'left' : 'loaded'}`)
const box = computed(() => {
  const { scale, one } = props
  const edge = 1.5 / scale
  const width = drawnWidth(one, scale)
  return {
    width: width + 3,
    height: one.drawn.height * scale + 3,
    view: `${-edge} ${-edge} ${width / scale + 2 * edge} ${one.drawn.height + 2 * edge}`,
  }
})
/** Of a pile only the first few pieces are drawn; they are solid when as many or more are loaded. */
function solid(piece: number): boolean {
  return piece < Math.min(props.loaded, props.one.pieces)
}
/** A click on one of several pieces loads or leaves that one; any other click is for the whole thing. */
function click(event: MouseEvent): void {
  const piece = (event.target as Element).closest<SVGElement>('[data-piece]')
  if (owned.value > 1 && piece) emit('change', piece.dataset.solid === 'true' ? -1 : 1)
  else emit('toggle')
}
</script>

<template>
  <button
    type="button"
    class="thing drawn"
    :class="[`g-${groupOf(thing.kind)}`, { outlined: loaded === 0 }]"
    :data-thing="thing.id"
    :aria-pressed="loaded > 0"
    :aria-label="spoken"
    @click="click"
  >
    <svg :width="box.width" :height="box.height" :viewBox="box.view" aria-hidden="true">
      <g
        v-for="piece in one.pieces"
        :key="piece"
        :transform="`translate(${((piece - 1) * step) / scale} 0)`"
        :class="solid(piece - 1) ? 'solid' : 'ghost'"
        data-piece
        :data-solid="solid(piece - 1)"
      >
        <path v-for="(stroke, index) in one.drawn.strokes" :key="index" :d="stroke.d" :class="stroke.role" vector-effect="non-scaling-stroke" />
        <PictureInside :thing="thing" :drawn="one.drawn" />
      </g>
    </svg>
    <span class="name">{{ one.label }}</span>{{ ' ' }}
    <span class="grams">{{ figure }}</span>
  </button>
</template>

<style scoped>
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
.ghost :deep(.picture) {
  opacity: 0.3;
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
</style>
