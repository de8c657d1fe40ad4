<script setup lang="ts">
/** How light the bag could be for less: grams against what it serves, from light to complete; a point picks its share. */
import { computed } from 'vue'
import type { ProposedOuting } from '@/api/types'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { shareText } from '@/wording/outings'

const props = defineProps<{ points: readonly ProposedOuting[]; share: number }>()
const emit = defineEmits<{ pick: [share: number] }>()
const units = useUnits()
const WIDE = 420
const HIGH = 92
const [LEFT, RIGHT, TOP, FOOT] = [38, 70, 24, 26]
const dots = computed(() => {
  const grams = props.points.map((p) => p.carried_g)
  const [low, high] = [Math.min(...grams), Math.max(...grams)]
  const whole = Math.max(1, ...props.points.map((p) => p.whole_score))
  return [...props.points].reverse().map((point) => ({
    point,
    x: LEFT + ((point.carried_g - low) / Math.max(1, high - low)) * (WIDE - LEFT - RIGHT),
    y: TOP + (1 - point.score / whole) * (HIGH - TOP - FOOT),
    served: point.score / whole,
  }))
})
const path = computed(() => dots.value.map((d, i) => (i ? `H ${d.x} V ${d.y}` : `M ${d.x} ${d.y}`)).join(' '))
</script>

<template>
  <div class="curve" role="group" aria-label="Light to complete">
    <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" aria-hidden="true">
      <path :d="path" />
      <g v-for="d in dots" :key="d.point.share">
        <circle :cx="d.x" :cy="d.y" r="5" :class="{ picked: d.point.share === share }" />
        <text :x="d.x" :y="HIGH - 6" text-anchor="middle">{{ fmt.load(d.point.carried_g, units) }}</text>
        <text :x="d.x" :y="d.y - 8" text-anchor="middle" class="served">{{ fmt.percent(d.served) }}</text>
      </g>
    </svg>
    <span class="picks">
      <button v-for="d in dots" :key="d.point.share" type="button" class="link" :aria-pressed="d.point.share === share" @click="emit('pick', d.point.share)">{{ shareText(d.point, units) }}</button>
    </span>
  </div>
</template>

<style scoped>
.curve {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  margin: 0 0 8px;
}
svg {
  width: 420px;
  max-width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
}
path {
  fill: none;
  stroke: var(--saddle);
  stroke-width: 1.5;
}
circle {
  fill: var(--sheet);
  stroke: var(--saddle);
  stroke-width: 2;
}
.picked {
  fill: var(--saddle);
}
text {
  font-size: 11px;
  fill: var(--muted);
}
.served {
  fill: var(--ink);
  font-weight: 600;
}
.picks {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 2px;
}
.picks [aria-pressed='true'] {
  font-weight: 600;
}
</style>
