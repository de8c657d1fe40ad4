<script setup lang="ts">
/** What each day makes in GB, in how many places it is by the night, cards that are left, minutes of copying. */
import { computed } from 'vue'
import type { Storage } from '@/api/types'
import type { Column } from '@/drawing/stamina'
import * as fmt from '@/format/units'
import { gb, hours } from '@/wording/stamina'

const props = defineProps<{ pictures: Storage; cols: Column[]; chosen: number; left: number }>()
const emit = defineEmits<{ choose: [day: number] }>()
const BASE = 62
const TALL = 44
const MOST_CARDS = 6

const made = computed(() => props.pictures.days.map((d) => d.made.reduce((sum, m) => sum + m.stills_gb + m.video_gb, 0)))
const most = computed(() => Math.max(1, ...made.value))
function blank(index: number): number {
  return Object.values(props.pictures.days[index]!.cards_left).reduce((sum, n) => sum + n, 0)
}
</script>

<template>
  <svg :width="left + cols.reduce((sum, c) => sum + c.width, 0)" height="124" role="img" aria-label="Pictures day by day; the table has the figures">
    <g v-for="(col, index) in cols" :key="index">
      <rect :x="col.x" y="0" :width="col.width" height="124" class="column" :class="{ chosen: index === chosen }" @click="emit('choose', index)" />
      <line :x1="col.x" :x2="col.x" y1="0" y2="124" class="rule" />
      <rect :x="col.x + 6" :y="BASE - (TALL * made[index]!) / most" :width="col.width * 0.34" :height="(TALL * made[index]!) / most" class="made" />
      <text :x="col.x + 6" :y="BASE - (TALL * made[index]!) / most - 4" class="strong">{{ gb(made[index]!) }}</text>
      <rect v-for="n in made[index] ? Math.max(pictures.asked_copies, pictures.days[index]!.copies ?? 0) : 0" :key="n" :x="col.x + 32 + n * 11" :y="BASE - 16" width="8" height="15" rx="1" class="copy" :class="{ missing: n > (pictures.days[index]!.copies ?? 0) }" />
      <text v-if="pictures.days[index]!.lost_gb > 0" :x="col.x + 6" y="82" class="bad">▲ no card<title>{{ gb(pictures.days[index]!.lost_gb) }} have no card</title></text>
      <g v-else>
        <rect v-for="n in Math.min(MOST_CARDS, blank(index))" :key="n" :x="col.x - 4 + n * 10" y="71" width="7" height="11" rx="1" class="card" />
        <text :x="col.x + 8 + Math.min(MOST_CARDS, blank(index)) * 10" y="81">{{ blank(index) || 'none' }}</text>
      </g>
      <text :x="col.x + 6" y="108" :class="{ bad: (pictures.days[index]!.copies ?? pictures.asked_copies) < pictures.asked_copies }">{{ pictures.days[index]!.minutes ? hours(pictures.days[index]!.minutes / 60) : made[index] ? 'no copy' : '–' }}</text>
    </g>
    <line :x1="left" :x2="left + cols.reduce((sum, c) => sum + c.width, 0)" :y1="BASE" :y2="BASE" class="floor" />
    <text :x="left - 8" :y="BASE - 5" text-anchor="end" class="name">recorded, copies</text>
    <text :x="left - 8" y="81" text-anchor="end" class="name">blank cards left</text>
    <text :x="left - 8" y="108" text-anchor="end" class="name">copying</text>
    <title>{{ fmt.figure(pictures.drive_gb) }} GB in all</title>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
text {
  font-size: var(--text-tiny);
  font-stretch: var(--narrow);
  fill: var(--muted);
}
.name,
.strong {
  fill: var(--ink);
}
.strong {
  font-weight: 700;
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
.made {
  fill: var(--moss);
}
.copy {
  fill: var(--slate);
}
.copy.missing {
  fill: none;
  stroke: var(--rust);
  stroke-width: 1.5;
}
.card {
  fill: none;
  stroke: var(--moss);
  stroke-width: 1.4;
}
.bad {
  fill: var(--rust);
  font-weight: 700;
}
g,
rect:not(.column) {
  pointer-events: none;
}
.column {
  pointer-events: all;
}
</style>
