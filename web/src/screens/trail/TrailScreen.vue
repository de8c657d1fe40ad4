<script setup lang="ts">
/** Out there, in gloves, without a network: today's bag, packs and cards, tonight's list, and a quick note. */
import { computed, ref, watch } from 'vue'
import type { Edit, Signs } from '@/api/types'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useBench } from '@/composables/useBench'
import { useField } from '@/composables/useField'
import { notify } from '@/composables/useNotice'
import { useDays } from '@/composables/useDays'
import { useOuting } from '@/composables/useOuting'
import { usePwa } from '@/composables/usePwa'
import { useTrips } from '@/composables/useTrips'
import { dayToShow } from '@/field/boards'
import { day as dayName, today } from '@/format/dates'
import BoardsPart from './BoardsPart.vue'
import FieldState from './FieldState.vue'
import LogPart from './LogPart.vue'
import NightPart from './NightPart.vue'
import TodayPart from './TodayPart.vue'

const props = defineProps<{ trip: string; kit: string }>()
const { bench, at: stamped, error, things, entries, editLoadout, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const field = useField(() => props.trip)
usePwa()
const PARTS = [
  { name: 'today', title: 'today' },
  { name: 'boards', title: 'batteries, cards' },
  { name: 'night', title: 'tonight' },
  { name: 'log', title: 'note' },
] as const
const part = ref<(typeof PARTS)[number]['name']>('today')
const days = computed(() => bench.value?.trip.trip.days ?? [])
const date = ref('')
watch(
  days,
  (all) => {
    if (!all.some((d) => d.date === date.value)) {
      date.value =
        dayToShow(
          all.map((d) => d.date),
          today(),
        ) ?? today()
    }
  },
  { immediate: true },
)
const at = computed(() => days.value.findIndex((d) => d.date === date.value))
const here = computed(() => days.value[at.value])
const loadout = computed(() => (bench.value?.state.kit.stow?.loadouts ?? []).find((l) => l.days?.includes(date.value)))
const { outing } = useOuting(stamped, () => loadout.value?.id ?? '')
const { byDays } = useDays(stamped, '')
const walk = computed(() => byDays.value?.days.find((d) => d.date === date.value)?.walk ?? null)
const all = computed(() => [...entries.value.values()].flat())
const { save } = useTrips()
function keepSigns(signs: Signs): void {
  const doc = bench.value?.trip
  if (doc) save.mutate({ version: doc.version, trip: { ...doc.trip, signs } }, { onError: notify })
}
function keepChanges(edits: Edit[], settle: () => void): void {
  if (loadout.value) editLoadout(loadout.value.id, edits, settle)
}
function step(by: number): void {
  const next = days.value[at.value + by]
  if (next) date.value = next.date
}
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench" class="screen trail" :data-part="part">
      <header class="top">
        <button type="button" class="step" :disabled="at <= 0" aria-label="The day before" @click="step(-1)">‹</button>
        <h1>{{ dayName(date) }} <span class="quiet">{{ here?.title }}</span></h1>
        <button type="button" class="step" :disabled="at < 0 || at >= days.length - 1" aria-label="The day after" @click="step(1)">›</button>
      </header>
      <FieldState :field="field" :names="names" />
      <TabRow v-model="part" class="parts" way label="Parts of the trail" :tabs="PARTS" />
      <TodayPart class="today" :date="date" :day="here" :loadout="loadout" :outing="outing" :walk="walk" :entries="all" :field="field" :assessment="bench.state.assessment" :people="bench.trip.trip.people ?? []" :things="things" :busy="busy" :names="names" @keep="keepChanges" />
      <BoardsPart class="boards" :entries="all" :things="things" :field="field" :signs="bench.trip.trip.signs ?? {}" :copies="bench.state.assessment.lasts.copies" ours @signs="keepSigns" />
      <NightPart class="night" :date="date" :day="here" :mains="Boolean(bench.trip.trip.mains)" :entries="all" :things="things" :field="field" :copies="bench.state.assessment.lasts.copies" />
      <LogPart class="log" :date="date" :entries="all" :things="things" :field="field" :names="names" />
    </div>
  </TripFrame>
</template>

<style scoped>
.trail {
  display: grid;
  grid-template: auto auto minmax(0, 1fr) / repeat(4, minmax(0, 1fr));
  gap: 8px 32px;
  height: 100%;
}
.top,
.parts {
  grid-column: 1 / -1;
}
.top {
  display: flex;
  align-items: center;
  gap: 12px;
}
.step {
  width: 44px;
  height: 44px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  font-size: var(--text-head);
  line-height: 1;
}
.step:disabled {
  opacity: 0.4;
}
.parts {
  display: none;
}
.trail > section {
  overflow: auto;
  grid-row: 3;
}
@media (max-width: 1000px) {
  .trail {
    display: flex;
    flex-direction: column;
    height: auto;
    gap: 10px;
  }
  .top h1 {
    flex: 1;
  }
  .step {
    width: 56px;
    height: 56px;
  }
  .parts {
    display: flex;
    gap: 4px;
    align-items: stretch;
  }
  .parts :deep(.tab) {
    flex: 1;
    min-height: 52px;
    padding: 4px 2px;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .trail > section {
    display: none;
    overflow: visible;
  }
  .trail[data-part='today'] > .today,
  .trail[data-part='boards'] > .boards,
  .trail[data-part='night'] > .night,
  .trail[data-part='log'] > .log {
    display: block;
  }
}
</style>
