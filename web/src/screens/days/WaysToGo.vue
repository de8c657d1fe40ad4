<script setup lang="ts">
/** Ways to go out on the chosen days, side by side: what goes along drawn to one scale, what it weighs and what it reaches. */
import { computed } from 'vue'
import type { ProposedOuting, Thing } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { draw } from '@/drawing/shapes'
import * as fmt from '@/format/units'
import { groupOf } from '@/wording/kinds'
import { coversText, WAY } from '@/wording/outings'

const props = defineProps<{ ways: readonly ProposedOuting[]; picked: number; things: ReadonlyMap<string, Thing>; names: Names; running: boolean }>()
const emit = defineEmits<{ pick: [index: number] }>()
const units = useUnits()
const SCALE = 0.2
const GAP = 7
const DRAWN = ['optics', 'power', 'cards', 'support']
/** Things of a way that tell it from others, bodies and glass first, on one line to one scale. */
function laid(made: ProposedOuting) {
  const counts = new Map<string, number>()
  for (const e of made.kit.entries ?? []) counts.set(e.item, (counts.get(e.item) ?? 0) + (e.count ?? 1))
  const shown = [...counts].flatMap(([id, count]) => {
    const thing = props.things.get(id)
    return thing && DRAWN.includes(groupOf(thing.kind)) && thing.kind !== 'computer' ? [{ thing, count }] : []
  })
  shown.sort((a, b) => DRAWN.indexOf(groupOf(a.thing.kind)) - DRAWN.indexOf(groupOf(b.thing.kind)))
  let x = 0
  return shown.map(({ thing, count }) => {
    const drawn = draw(thing)
    const width = Math.max(drawn.width * SCALE, 12)
    const cell = { id: thing.id, count, drawn, x, width, group: groupOf(thing.kind), name: thing.name }
    x += width + GAP
    return cell
  })
}
const cards = computed(() =>
  props.ways.map((made) => {
    const cells = laid(made)
    const last = cells.at(-1)
    const wide = last ? last.x + last.width : 0
    return { made, cells, wide, along: cells.map((c) => (c.count > 1 ? `${c.count} × ${c.name}` : c.name)).join(', ') }
  }),
)
</script>

<template>
  <div class="ways" role="group" aria-label="Ways to go out">
    <button v-for="({ made, cells, wide, along }, index) in cards" :key="made.way + made.share" type="button" class="way" :aria-pressed="index === picked" :title="along" @click="emit('pick', index)">
      <svg class="mat drawn" :viewBox="`-8 -6 ${Math.max(260, wide + 16)} 84`" preserveAspectRatio="xMinYMid meet" aria-hidden="true">
        <g v-for="c in cells" :key="c.id" :transform="`translate(${c.x} ${36 - (c.drawn.height * SCALE) / 2}) scale(${SCALE})`" :class="`g-${c.group}`">
          <path v-for="(stroke, i) in c.drawn.strokes" :key="i" :d="stroke.d" :class="stroke.role" vector-effect="non-scaling-stroke" />
          <text v-if="c.count > 1" class="times" :x="0" :y="c.drawn.height + 62">× {{ c.count }}</text>
        </g>
      </svg>
      <span class="said">
        <span><b>{{ WAY[made.way] }}</b> {{ fmt.load(made.carried_g, units) }} in {{ names.thing(made.bag) }}</span>
        <span class="quiet">{{ coversText(made.wants, names) }}</span>
        <span class="label">{{ Object.keys(made.left).length ? 'does not all go in' : made.proved ? 'packed; proved: nothing lighter covers as much' : 'packed; perhaps not the lightest' }}</span>
      </span>
    </button>
    <p v-if="running" class="label" role="status">Looking for {{ ways.length ? 'other ways' : 'the lightest bag' }}…</p>
  </div>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(212px, 1fr));
  gap: 10px;
  align-items: start;
}
.way {
  font: inherit;
  color: inherit;
  text-align: left;
  padding: 0;
  border: 2px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
  cursor: pointer;
  display: block;
  min-width: 0;
}
.way[aria-pressed='true'] {
  border-color: var(--saddle);
}
.mat {
  display: block;
  width: 100%;
  height: 84px;
  background: var(--mat);
}
.outline {
  stroke-width: 1.1;
}
.times {
  font-size: 52px;
  fill: var(--mat-ink);
}
.said {
  display: flex;
  flex-direction: column;
  gap: 1px;
  padding: 6px 9px 7px;
}
</style>
