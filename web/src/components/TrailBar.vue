<script setup lang="ts">
/** The order of work. A station's mark says done, open or blocked by its shape as well as its colour. */
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { packedQuery } from '@/api/queries/bench'
import { stationsQuery } from '@/api/queries/field'
import type { Assessment, StationName } from '@/api/types'
import { SETTLED_MS } from '@/composables/useAdvice'
import { STATIONS } from '@/wording/stations'

const props = defineProps<{ trip: string; kit: string; stamp: string; stations: Assessment['stations']; cautions: StationName[] }>()
const route = useRoute()
// Nothing here hangs on a click: it is asked for when nobody clicks on.
const settled = refDebounced(
  computed(() => ({ trip: props.trip, kit: props.kit, stamp: props.stamp })),
  SETTLED_MS,
)
const noted = useQuery(computed(() => stationsQuery(settled.value)))

/** The assessment does not pack; once the kit was packed here as it is now and nothing was left over, Stow is done. */
const packed = useQuery(computed(() => packedQuery(props.trip, props.kit)))
function markOf(name: string): 'done' | 'open' | 'blocked' {
  const mark = [...props.stations, ...(noted.data.value ?? [])].find((s) => s.name === name)?.mark ?? 'open'
  if (name !== 'stow' || mark !== 'open' || props.cautions.includes('stow')) return mark
  return packed.data.value?.stamp === props.stamp && packed.data.value.left === 0 ? 'done' : 'open'
}

const stops = computed(() =>
  STATIONS.map((station, index) => ({
    ...station,
    key: index + 1,
    mark: markOf(station.name),
    here: (route.meta.station ?? route.name) === station.name,
  })),
)
const SAYS = { done: 'done', open: 'open', blocked: 'blocked' } as const
</script>

<template>
  <nav class="trail" aria-label="Stations of this trip">
    <RouterLink
      v-for="stop in stops"
      :key="stop.name"
      :to="{ name: stop.name, params: { trip, kit } }"
      class="stop"
      :class="{ here: stop.here }"
      :aria-current="stop.here ? 'page' : undefined"
      :title="`${stop.title}: ${SAYS[stop.mark]} (key ${stop.key})`"
    >
      <svg width="18" height="18" viewBox="-9 -9 18 18" aria-hidden="true">
        <circle v-if="stop.mark === 'done'" r="6.5" class="done" />
        <rect v-else-if="stop.mark === 'blocked'" x="-5.5" y="-5.5" width="11" height="11" transform="rotate(45)" class="blocked" />
        <circle v-else r="5.5" class="open" />
        <path v-if="stop.mark === 'done'" d="M-3 0.200 L-0.800 2.500 L3.200 -2.200" class="tick" />
      </svg>
      <span class="title">{{ stop.title }}</span>
      <span class="visually-hidden">, {{ SAYS[stop.mark] }}</span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.trail {
  display: flex;
  gap: 24px;
  position: relative;
}
.stop {
  display: flex;
  flex-direction: column;
  align-items: center;
  color: var(--muted);
  text-decoration: none;
  font-stretch: var(--narrow);
  position: relative;
  padding: 2px 4px;
}
.stop + .stop::before {
  content: '';
  position: absolute;
  top: 11px;
  right: calc(50% + 12px);
  width: 100%;
  border-top: 2px dotted var(--line);
}
.here {
  color: var(--ink);
}
.here .title {
  font-weight: 700;
  box-shadow: 0 2px 0 var(--saddle);
}
svg {
  position: relative;
  z-index: 1;
}
.done {
  fill: var(--moss);
}
.tick {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 1.8;
}
.blocked {
  fill: var(--rust);
}
.open {
  fill: var(--sheet);
  stroke: var(--ochre);
  stroke-width: 2.5;
}
</style>
