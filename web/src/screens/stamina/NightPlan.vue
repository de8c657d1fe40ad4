<script setup lang="ts">
/** A night as a timetable: what is on which socket from when to when. */
import { computed } from 'vue'
import type { PowerDay } from '@/api/types'
import type { Names } from '@/wording/names'
import { timetable } from '@/drawing/stamina'
import * as fmt from '@/format/units'
import { hours, pieceName, wh } from '@/wording/stamina'

const props = defineProps<{ day: PowerDay; names: Names }>()
const LEFT = 104
const WIDTH = 330
const rows = computed(() => timetable(props.day.charges))
const end = computed(() => Math.max(1, props.day.night_h, ...props.day.charges.map((c) => c.to_h)))
const ticks = computed(() => Array.from({ length: Math.floor(end.value / 2) + 1 }, (_, i) => 2 * i))
function x(h: number): number {
  return LEFT + ((WIDTH - LEFT - 4) * h) / end.value
}
function label(charge: PowerDay['charges'][number]): string {
  const [item, number] = charge.pack
  return charge.by === item ? '' : `no. ${number}`
}
</script>

<template>
  <div>
    <p v-if="!rows.length" class="quiet">{{ day.night_h ? 'Nothing to charge, or no charger for it.' : 'No mains, and no power bank with charge left.' }}</p>
    <svg v-else :width="WIDTH" :height="rows.length * 22 + 20" role="img" :aria-label="`Charging: ${rows.map((r) => r.charges.map((c) => `${pieceName(c.pack, names.thing)} ${hours(c.from_h)} to ${hours(c.to_h)}`).join(', ')).join('; ')}`">
      <g v-for="t in ticks" :key="t"><line :x1="x(t)" :x2="x(t)" y1="0" :y2="rows.length * 22" class="rule" /><text :x="x(t)" :y="rows.length * 22 + 14" text-anchor="middle">{{ t }} h</text></g>
      <g v-for="(row, index) in rows" :key="row.key">
        <text x="0" :y="index * 22 + 14" class="name">{{ names.thing(row.by).slice(0, 17) }}</text>
        <g v-for="charge in row.charges" :key="`${charge.pack} ${charge.from_h}`">
          <rect :x="x(charge.from_h) + 0.5" :y="index * 22 + 2" :width="Math.max(2, x(charge.to_h) - x(charge.from_h) - 1)" height="17" :class="charge.by === charge.pack[0] ? 'device' : 'packs'"><title>{{ `${pieceName(charge.pack, names.thing)}: ${wh(charge.wh)}, ${hours(charge.from_h)} to ${hours(charge.to_h)}, socket ${charge.socket}` }}</title></rect>
          <text v-if="x(charge.to_h) - x(charge.from_h) > 30" :x="x(charge.from_h) + 5" :y="index * 22 + 14" class="inside">{{ label(charge) }}</text>
        </g>
      </g>
    </svg>
    <p class="label">Hours after plugging in{{ day.outlets ? `; ${fmt.figure(day.outlets)} ${day.outlets === 1 ? 'outlet' : 'outlets'}` : '' }}.</p>
  </div>
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
.name {
  fill: var(--ink);
}
.rule {
  stroke: var(--line);
}
.packs {
  fill: var(--ochre);
}
.device {
  fill: var(--slate);
}
.inside {
  fill: var(--mat);
  font-weight: 600;
  pointer-events: none;
}
p {
  margin: 4px 0;
}
</style>
