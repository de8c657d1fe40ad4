<script setup lang="ts">
/** Stamina: days as columns, pack by pack and card by card; what breaks, when, and what each cure weighs. */
import { computed, ref, watch } from 'vue'
import type { Stamina } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import ClashList from '@/components/ClashList.vue'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useCures } from '@/composables/useCures'
import { useBench } from '@/composables/useBench'
import { useLeaveGuard } from '@/composables/useLeaveGuard'
import { useUnits } from '@/composables/useSession'
import { useStamina } from '@/composables/useStamina'
import { breaksDay } from '@/drawing/stamina'
import { day as dayName } from '@/format/dates'
import * as fmt from '@/format/units'
import FindingsList from '@/components/FindingsList.vue'
import { useBriefDraft } from '@/composables/useBriefDraft'
import { advised } from '@/wording/advice'
import { CARD_SCHOOL, POWER_SCHOOL } from '@/wording/stamina'
import DayPanel from './DayPanel.vue'
import LossSchools from './LossSchools.vue'
import SettingsPanel from './SettingsPanel.vue'
import StaminaDays from './StaminaDays.vue'
import StaminaTables from './StaminaTables.vue'

const props = defineProps<{ trip: string; kit: string }>()
const units = useUnits()
const { bench, at, error, things, loaded, edit, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const stored = computed(() => bench.value?.trip)
const { draft, errors, state, problem, clashes, unsaved, flush, revert, settle } = useBriefDraft(stored)
const { leavingTo, leave } = useLeaveGuard(flush, unsaved)
const brief = computed(() => stored.value?.trip)
const stamina = computed<Stamina | undefined>({
  get: () => draft.value?.stamina,
  set: (value) => {
    if (draft.value && value) draft.value.stamina = value
  },
})
const { report, told: power } = useStamina(at, stamina)
const cures = useCures(at)
const chosen = ref(0)
const VIEWS = [
  { name: 'day', title: 'the day' },
  { name: 'losses', title: 'losses, approaches' },
  { name: 'settings', title: 'settings' },
] as const
const view = ref<(typeof VIEWS)[number]['name']>('day')
const asTable = ref(false)

/** Items of packs by the type they are. */
const types = computed(() => new Map([...things.value.values()].flatMap((t) => (t.kind === 'battery' ? [[t.id, t.battery_type] as const] : []))))
const bodies = computed(() => [...things.value.values()].filter((t) => t.kind === 'body' && loaded.value.has(t.id)))
const panels = computed(() => [...things.value.values()].some((t) => t.kind === 'other' && t.solar_w))
const problems = computed(() => advised(bench.value?.state.assessment.findings ?? [], cures.value).filter(({ finding }) => finding.stations.includes('stamina')))
const short = computed(() => new Set(report.value?.power.days.flatMap((d, i) => (d.types.some(breaksDay) || (report.value?.pictures.days[i]?.lost_gb ?? 0) > 0 ? [i] : [])) ?? []))
const usual = computed(() => (brief.value?.mains ? { mains_h: 8, outlets: 2 } : { mains_h: 0, outlets: 0 }))
// A new visit opens on the first day that breaks; after that only a click chooses another.
let opened = ''
watch(
  () => [props.trip, props.kit, report.value] as const,
  ([trip, kit, now]) => {
    const days = now?.power.days.length ?? 0
    if (now && opened !== `${trip} ${kit}`) {
      opened = `${trip} ${kit}`
      chosen.value = Math.min(...short.value, Math.max(0, days - 1))
    } else if (days) chosen.value = Math.min(chosen.value, days - 1)
  },
  { immediate: true },
)
function set(change: Partial<Stamina>): void {
  if (stamina.value) stamina.value = { ...stamina.value, ...change }
}
const WARMER = { min: -15, max: 10 }
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="draft && bench && stamina && report" class="screen grid stacks">
      <div class="left">
        <header class="top">
          <h1>Stamina <span class="quiet">battery by battery; outlined: in the camera, in the cold; plain: in a pocket</span></h1>
          <span class="grow" />
          <span class="label">{{ POWER_SCHOOL[stamina.power ?? 'charge-nightly'] }} · {{ CARD_SCHOOL[stamina.cards ?? 'fresh-daily'] }}</span>
          <button type="button" class="tab" :aria-pressed="asTable" @click="asTable = !asTable">as a table</button>
        </header>
        <p v-if="!report.power.days.length" class="quiet grow">No days yet. <RouterLink :to="{ name: 'brief', params: { trip, kit } }">Add the days</RouterLink> to see whether power and cards last.</p>
        <StaminaTables v-else-if="asTable" class="grow" :power="report.power" :pictures="report.pictures" :names="names" />
        <StaminaDays v-else :report="report" :days="draft.days ?? []" :short="short" :chosen="chosen" :types="types" :names="names" @choose="chosen = $event" />
        <div class="sliders">
          <label class="slider"><span>I shoot <b>{{ (stamina.pace ?? 1) === 1 ? 'as planned' : `${fmt.percent(Math.abs((stamina.pace ?? 1) - 1))} ${(stamina.pace ?? 1) > 1 ? 'more' : 'less'}` }}</b></span><VSlider :model-value="stamina.pace ?? 1" :min="0.5" :max="2" :step="0.1" aria-label="Pace" hide-details @update:model-value="set({ pace: Math.round(10 * $event) / 10 })" /></label>
          <label class="slider"><span>It is <b>{{ stamina.warmer_c ? `${fmt.temperatureStep(Math.abs(stamina.warmer_c), units)} ${stamina.warmer_c < 0 ? 'colder' : 'warmer'}` : 'as cold as planned' }}</b></span><VSlider :model-value="stamina.warmer_c ?? 0" :min="WARMER.min" :max="WARMER.max" :step="1" aria-label="Colder or warmer, in degrees" hide-details @update:model-value="set({ warmer_c: $event })" /></label>
          <label class="slider"><span>Margin <b>{{ fmt.percent(stamina.margin ?? 0.25) }}</b></span><VSlider :model-value="stamina.margin ?? 0.25" :min="0" :max="1" :step="0.05" aria-label="Margin" hide-details @update:model-value="set({ margin: Math.round(20 * $event) / 20 })" /></label>
        </div>
      </div>
      <aside class="right" aria-label="The day">
        <TabRow v-model="view" class="views" way label="Views" :tabs="VIEWS">
          <span class="grow" />
          <span v-if="state === 'refused'" class="bad" role="alert">not saved <button type="button" class="link" @click="revert">undo it</button></span>
          <span v-else class="label" role="status">{{ state === 'saving' ? 'saving…' : '' }}</span>
        </TabRow>
        <ClashList :clashes="clashes" @settle="settle" />
        <p v-if="state === 'refused' && problem && !problem.fields.length" class="bad">{{ problem.title }}</p>
        <FindingsList v-if="view !== 'settings' && problems.length" class="findings" :findings="problems" :names="names" :busy="busy" @cure="edit" />
        <div class="panel-body">
          <template v-if="view === 'day' && report.power.days[chosen] && report.pictures.days[chosen] && draft.days?.[chosen]">
            <h1>{{ dayName(report.power.days[chosen]!.date) }} <span class="quiet">{{ draft.days[chosen]!.title }}, {{ fmt.temperature(report.power.days[chosen]!.lowest_c, units) }}</span></h1>
            <DayPanel v-model:day="draft.days[chosen]!" :power="report.power.days[chosen]!" :pictures="report.pictures.days[chosen]!" :patterns="stamina.patterns ?? []" :usual="usual" :errors="errors" :index="chosen" :names="names" />
          </template>
          <LossSchools v-else-if="view === 'losses'" :pictures="report.pictures" :told="power" :school="stamina.power ?? 'charge-nightly'" :names="names" @school="set({ power: $event })" />
          <SettingsPanel v-else-if="view === 'settings'" v-model="stamina" :errors="errors" :bodies="bodies" :panels="panels" :paid="brief?.stakes === 'paid'" />
        </div>
      </aside>
      <AskFirst :model-value="leavingTo !== null" title="Some settings are not saved" text="The marked fields were refused. Stay and correct them, or leave and lose what you typed." yes="Leave and lose it" @yes="leave" @update:model-value="leavingTo = null" />
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 396px;
  gap: 22px;
  overflow: hidden;
}
.left,
.right {
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.right {
  border-left: 1px solid var(--line);
  padding-left: 20px;
}
.top {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 8px;
}
.views {
  margin-bottom: 8px;
}
.top .quiet {
  font-size: var(--text);
}
.grow {
  flex: 1;
}
@media (max-width: 1000px) {
  .top,
  .sliders {
    flex-wrap: wrap;
  }
}
.sliders {
  display: flex;
  gap: 24px;
  padding: 8px 4px 0;
  border-top: 1px solid var(--line);
}
.slider {
  flex: 1;
  font-size: var(--text-small);
}
.findings {
  flex: none;
  max-height: 46%;
  overflow: auto;
  margin-bottom: 10px;
}
.panel-body {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding-right: 6px;
}
.bad {
  color: var(--rust);
}
</style>
