<script setup lang="ts">
/** One set of bags: silhouettes with the kit in them, whether everything goes in and flies, and what is on somebody's back. */
import { computed } from 'vue'
import type { BagSet, Loadout, Thing } from '@/api/types'
import SeverityMark from '@/components/SeverityMark.vue'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { silhouette } from '@/drawing/bags'
import * as fmt from '@/format/units'
import { NOW, quickText, setName, verdict } from '@/wording/bags'
import { groupOf } from '@/wording/kinds'
import { listed } from '@/wording/parts'

const props = defineProps<{ set: BagSet; things: Map<string, Thing>; names: Names; scale: number; picked: boolean; loadouts: readonly Loadout[] }>()
const emit = defineEmits<{ pick: [] }>()
const units = useUnits()
const BETWEEN = 14
const HIGH = 138
const FOOT = 8
const drawn = computed(() => {
  let x = 10
  return props.set.bags.map((bag) => {
    const one = silhouette(props.set, bag, props.things)
    const at = x
    x += one.width * props.scale + BETWEEN
    return { ...one, at, top: HIGH - FOOT - one.height * props.scale }
  })
})
const said = computed(() => verdict(props.set, props.names, units.value))
const serves = computed(() => props.set.serves.map((id) => props.loadouts.find((l) => l.id === id)?.name ?? id))
const group = (items: readonly string[]): string => groupOf(props.things.get(items[0]!)?.kind ?? 'other')
</script>

<template>
  <button type="button" class="card" :aria-pressed="picked" @click="emit('pick')">
    <svg class="mat drawn" :viewBox="`0 0 330 ${HIGH}`" preserveAspectRatio="xMinYMax meet" aria-hidden="true">
      <g v-for="bag in drawn" :key="bag.bag" :transform="`translate(${bag.at} ${bag.top}) scale(${scale})`">
        <path class="handle" :d="`M ${bag.width * 0.4} 0 q ${bag.width * 0.1} -46 ${bag.width * 0.2} 0`" vector-effect="non-scaling-stroke" />
        <rect class="bag" :width="bag.width" :height="bag.height" rx="34" vector-effect="non-scaling-stroke" />
        <rect v-if="bag.soft.height > 0" class="soft" :x="bag.soft.x" :y="bag.soft.y" :width="bag.soft.width" :height="bag.soft.height" rx="10" />
        <rect v-for="face in bag.faces" :key="face.block" class="face" :class="`k-${group(face.items)}`" :x="face.x" :y="face.y" :width="face.width" :height="face.height" rx="8" vector-effect="non-scaling-stroke" />
      </g>
    </svg>
    <span class="said">
      <b class="name">{{ setName(set, names) }}<span v-if="set.key === NOW" class="label"> as it is now</span></b>
      <b class="verdict"><span v-if="said.severity === 'fine'" class="tick" aria-hidden="true">✓</span><SeverityMark v-else :severity="said.severity" aria-hidden="true" />{{ said.text }}</b>
      <span class="quiet">{{ set.litres >= 0 ? `${fmt.volume(set.litres, units)} free` : `${fmt.volume(-set.litres, units)} too much by litres` }}, {{ fmt.mass(set.empty_g, units) }} of bags to carry</span>
      <span v-if="set.quick.length" class="quiet">{{ quickText(set, names) }}</span>
      <span v-if="serves.length" class="quiet">one bag alone takes it for {{ listed(serves) }}</span>
    </span>
    <span class="mass"><b>{{ fmt.load(set.on_foot_g, units) }}</b><span class="label">on {{ names.person(set.who) }}, on foot</span></span>
  </button>
</template>

<style scoped>
.card {
  font: inherit;
  color: inherit;
  text-align: left;
  padding: 0;
  border: 2px solid transparent;
  border-radius: var(--corner);
  background: var(--sheet);
  cursor: pointer;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr) auto;
  min-width: 0;
}
.card[aria-pressed='true'] {
  border-color: var(--saddle);
}
.mat {
  display: block;
  width: 330px;
  height: 100%;
  min-height: 138px;
  background: var(--mat);
}
.bag,
.handle {
  fill: none;
  stroke: var(--mat-ink);
  stroke-width: 1.6;
}
.soft {
  fill: var(--mat-ink);
  fill-opacity: 0.16;
}
.face {
  stroke: var(--thing-line);
  stroke-width: 1;
  fill: var(--thing);
  fill-opacity: 0.5;
}
.k-optics {
  fill: var(--thing);
  fill-opacity: 1;
}
.k-power {
  fill: var(--thing-power);
  fill-opacity: 1;
}
.k-cards {
  fill: var(--thing-cards);
  fill-opacity: 1;
}
.k-carry {
  fill: none;
  stroke: var(--mat-ink);
  stroke-opacity: 0.7;
}
.said {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 8px 12px;
  min-width: 0;
}
.verdict {
  display: flex;
  align-items: baseline;
  gap: 6px;
}
.tick {
  color: var(--moss);
}
.mass {
  padding: 8px 12px;
  text-align: right;
  display: flex;
  flex-direction: column;
}
.mass b {
  font-size: var(--text-large);
  white-space: nowrap;
}
@media (max-width: 700px) {
  .card {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .mat {
    grid-column: 1 / -1;
    width: 100%;
  }
}
</style>
