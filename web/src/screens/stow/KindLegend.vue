<script setup lang="ts">
/** What the colours and patterns of the drawing say, for the kinds of things that lie in sight. */
import { GROUP, type Group } from '@/wording/kinds'

defineProps<{ groups: Group[]; absent: boolean; pinned: boolean; deep: boolean; walls: boolean }>()
</script>

<template>
  <ul class="legend" aria-label="Colours and patterns">
    <li v-for="group in groups" :key="group">
      <svg width="18" height="14" aria-hidden="true">
        <rect class="shape" :class="group" x="1" y="1" width="16" height="12" rx="2" />
        <rect x="1" y="1" width="16" height="12" rx="2" :fill="`url(#kind-${group})`" />
      </svg>
      {{ GROUP[group].toLowerCase() }}
    </li>
    <li v-if="deep"><svg width="18" height="14" aria-hidden="true"><rect class="shape" x="1" y="1" width="16" height="12" rx="2" /><rect x="1" y="1" width="16" height="12" rx="2" fill="url(#kind-deep)" /></svg> buried: something is on top</li>
    <li v-if="walls"><svg width="18" height="14" aria-hidden="true"><rect class="wall" x="7" y="0" width="4" height="14" /></svg> divider</li>
    <li v-if="absent"><svg width="18" height="14" aria-hidden="true"><rect class="shape away" x="1" y="1" width="16" height="12" rx="2" /></svg> not here yet, its place is kept</li>
    <li v-if="pinned"><svg width="10" height="14" aria-hidden="true"><circle class="pin" cx="5" cy="7" r="3.500" /></svg> pinned by you</li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--muted);
  font-size: var(--text-small);
}
li {
  display: flex;
  align-items: center;
  gap: 5px;
}
.shape {
  fill: var(--thing);
  stroke: var(--thing-line);
}
.power {
  fill: var(--thing-power);
}
.cards {
  fill: var(--thing-cards);
}
.wall {
  fill: var(--mat-figure);
  stroke: var(--thing-line);
}
.away {
  stroke-dasharray: 3 2;
  fill-opacity: 0.45;
}
.pin {
  fill: var(--foot-over);
  stroke: var(--thing-line);
}
</style>
