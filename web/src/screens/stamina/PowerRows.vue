<script setup lang="ts">
/** Pack by pack: how full in the morning, how far it falls, what the night puts back. Short days are hatched and named. */
import { computed } from 'vue'
import type { Power } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { labelWidth } from '@/drawing/axis'
import { breaksDay, type Column, dayLine, packShape } from '@/drawing/stamina'
import * as fmt from '@/format/units'
import { pieceName, wh } from '@/wording/stamina'

const props = defineProps<{ power: Power; cols: Column[]; chosen: number; left: number; types: Map<string, string>; names: Names }>()
const emit = defineEmits<{ choose: [day: number] }>()
const units = useUnits()
const ROW = 30
const TALL = 21
const TOP = 84

const pieces = computed(() => {
  const counts = new Map<string, number>()
  for (const { pack: [item] } of props.power.days[0]?.packs ?? []) counts.set(item, (counts.get(item) ?? 0) + 1)
  return counts
})
const rows = computed(() =>
  (props.power.days[0]?.packs ?? []).map((pack, index) => ({
    pack,
    name: shorten(pieceName(pack.pack, props.names.thing, pieces.value.get(pack.pack[0]))),
    base: TOP + index * ROW + TALL,
    days: props.power.days.map((day) => day.packs[index]!),
  })),
)
/** Types that something asks for and of which nothing is loaded. */
const bare = computed(() => props.power.types.filter((t) => t.packs === 0).map((t, i) => ({ type: t.type, y: TOP + (rows.value.length + i) * ROW + TALL })))
const height = computed(() => TOP + (rows.value.length + bare.value.length) * ROW + 4)
const cold = computed(() => dayLine(props.power.days.map((d) => d.lowest_c), props.cols, 18, 18))
const short = computed(() =>
  props.power.days.flatMap((day, index) =>
    day.types
      .filter(breaksDay)
      .map((t) => {
        const mine = rows.value.filter(({ pack: { pack: [item] } }) => item === t.type || props.types.get(item) === t.type)
        const top = mine.length ? mine[0]!.base - TALL : (bare.value.find((b) => b.type === t.type)?.y ?? TOP) - TALL
        const bottom = mine.length ? mine.at(-1)!.base : top + TALL
        return { key: `${index} ${t.type}`, col: props.cols[index]!, top, height: bottom - top, type: t }
      }),
  ),
)
function shorten(name: string): string {
  const fits = (label: string): boolean => labelWidth(label) <= props.left - 12
  if (fits(name)) return name
  const [head = '', number] = name.split(' no. ')
  if (number && fits(`${head} ${number}`)) return `${head} ${number}`
  let cut = head
  while (cut.length > 4 && !fits(`${cut}… ${number ?? ''}`)) cut = cut.slice(0, -1)
  return `${cut}…${number ? ` ${number}` : ''}`
}
</script>

<template>
  <svg :width="left + cols.reduce((sum, c) => sum + c.width, 0)" :height="height" role="img" aria-label="Batteries day by day; the table has the figures">
    <defs>
      <pattern id="dry" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"><rect width="1.600" height="5" class="dry-line" /></pattern>
    </defs>
    <g v-for="(col, index) in cols" :key="index">
      <rect :x="col.x" y="0" :width="col.width" :height="height" class="column" :class="{ chosen: index === chosen }" @click="emit('choose', index)" />
      <line :x1="col.x" :x2="col.x" y1="0" :y2="height" class="rule" />
      <rect v-if="power.days[index]!.night_h > 0" :x="col.dusk" y="56" :width="col.x + col.width - col.dusk" height="12" class="mains" />
      <text v-if="power.days[index]!.night_h > 0" :x="(col.dusk + col.x + col.width) / 2" y="66" text-anchor="middle" class="on-mains">{{ fmt.figure(power.days[index]!.night_h) }} h</text>
      <text v-else :x="(col.dusk + col.x + col.width) / 2" y="66" text-anchor="middle" class="none">none</text>
    </g>
    <text :x="left - 8" y="32" text-anchor="end" class="name">coldest hour</text>
    <text :x="left - 8" y="66" text-anchor="end" class="name">mains at night</text>
    <polyline :points="cold.map((p) => `${p.x},${p.y}`).join(' ')" class="cold" />
    <g v-for="(p, index) in cold" :key="`c${index}`"><circle :cx="p.x" :cy="p.y" r="2.500" class="cold-dot" /><text :x="p.x" :y="p.y - 6" text-anchor="middle" class="cold-text">{{ fmt.temperature(power.days[index]!.lowest_c, units) }}</text></g>
    <g v-for="row in rows" :key="String(row.pack.pack)">
      <text :x="left - 8" :y="row.base - 5" text-anchor="end" class="name">{{ row.name }}</text>
      <polygon v-for="(pack, index) in row.days" :key="index" :points="packShape(pack, cols[index]!, row.base, TALL)" class="pack" :class="{ warm: pack.warm }"><title>{{ `${row.name}: ${wh(pack.start_wh)} in the morning, ${wh(pack.evening_wh)} in the evening, ${wh(pack.evening_wh + pack.charged_wh)} the morning after` }}</title></polygon>
      <line :x1="left" :x2="left + cols.reduce((sum, c) => sum + c.width, 0)" :y1="row.base" :y2="row.base" class="floor" />
    </g>
    <text v-for="row in bare" :key="row.type" :x="left - 8" :y="row.y - 5" text-anchor="end" class="name">{{ names.thing(row.type) }}, none</text>
    <g v-for="s in short" :key="s.key" class="short">
      <rect :x="s.col.x + 1" :y="s.top" :width="s.col.dusk - s.col.x - 1" :height="s.height" fill="url(#dry)" />
      <text :x="(s.col.x + s.col.dusk) / 2" :y="s.top + s.height / 2 + 4" text-anchor="middle">{{ fmt.percent(s.type.got_wh / s.type.need_wh) }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  /* Hours of the last night stand beyond the last column. */
  overflow: visible;
  display: block;
}
text {
  font-size: var(--text-tiny);
  font-stretch: var(--narrow);
  fill: var(--muted);
}
.name {
  fill: var(--ink);
}
.column {
  fill: transparent;
  cursor: pointer;
}
.column.chosen {
  fill: var(--tan);
  fill-opacity: 0.28;
}
.rule {
  stroke: var(--line);
}
.floor {
  stroke: var(--muted);
  stroke-width: 0.7;
}
.mains {
  fill: var(--ochre);
}
.on-mains {
  fill: var(--on-ochre, var(--mat));
  font-weight: 600;
}
.none {
  fill: var(--rust);
  font-weight: 700;
}
.cold {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.5;
}
.cold-dot,
.cold-text {
  fill: var(--slate);
}
.pack {
  fill: var(--tan);
  fill-opacity: 0.55;
  stroke: var(--slate);
  stroke-width: 1.4;
  pointer-events: none;
}
.pack.warm {
  fill-opacity: 1;
  stroke: none;
}
.dry-line {
  fill: var(--rust);
  fill-opacity: 0.55;
}
.short text {
  fill: var(--rust);
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
