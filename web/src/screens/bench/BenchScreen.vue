<script setup lang="ts">
/** The bench: reach above, the mat below, the ledger and what to do about it beside them. */
import { useLocalStorage, useSessionStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Edit, Place, Thing } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import AdvicePending from '@/components/AdvicePending.vue'
import SplitBar from '@/components/SplitBar.vue'
import PutInto from '@/components/PutInto.vue'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useAdvice } from '@/composables/useAdvice'
import { useBench, useLoaded } from '@/composables/useBench'
import { useCures } from '@/composables/useCures'
import { useKeys } from '@/composables/useKeys'
import { useLeaveGuard } from '@/composables/useLeaveGuard'
import { notify } from '@/composables/useNotice'
import { useUnits } from '@/composables/useSession'
import { useThought } from '@/composables/useThought'
import * as fmt from '@/format/units'
import { advised } from '@/wording/advice'
import { holders, placeKey } from '@/wording/choices'
import DropPlaces from './DropPlaces.vue'
import FiltersPanel from './FiltersPanel.vue'
import DropsPanel from '@/components/DropsPanel.vue'
import FindingsList from '@/components/FindingsList.vue'
import GearMat from './GearMat.vue'
import KitTabs from './KitTabs.vue'
import LedgerPanel from './LedgerPanel.vue'
import LossesPanel from './LossesPanel.vue'
import ReachChart from './ReachChart.vue'
import SlotCards from './SlotCards.vue'
import ThingDialog from './ThingDialog.vue'
import WantDialog from './WantDialog.vue'

const props = defineProps<{ trip: string; kit: string }>()
const router = useRouter()
const units = useUnits()
const { bench, at, error, edit, undo, redo, busy, things, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const brief = computed(() => bench.value?.trip.trip)
const state = computed(() => bench.value?.state)
const { entries, loaded } = useLoaded(computed(() => shown.value?.kit))
const mat = ref<InstanceType<typeof GearMat> | null>(null)
const opened = ref<string | null>(null)
const want = ref<string | null>(null)
const putting = ref(false)
const problems = computed(() => advised(shown.value?.assessment.findings ?? [], cures.value))
const VIEWS = [
  { name: 'ledger', title: 'ledger' },
  { name: 'drops', title: 'leave, load' },
  { name: 'losses', title: 'losses, days' },
  { name: 'filters', title: 'filters' },
] as const
/** Per cent of the column that the findings may take; what they do not need is the panel's. */
const share = useLocalStorage('narrow-mule.findings-share', 34)
const view = ref<(typeof VIEWS)[number]['name']>('ledger')

/** Edits that are thought through: shown as if they were done, stored only when kept. */
const thinking = ref(false)
const thoughts = ref<Edit[]>([])
const wish = computed(() => (thinking.value && thoughts.value.length ? { edits: thoughts.value } : null))
const { thought, error: refused } = useThought(at, wish)
const told = useAdvice(at, wish)
const cures = useCures(at, wish)
const shown = computed(() => (thinking.value && thought.value ? thought.value : state.value))
const trying = computed(() => thinking.value && thoughts.value.length > 0)
const { leavingTo, leave: drop } = useLeaveGuard(
  () => !trying.value,
  () => trying.value,
)
function leaveThoughts(): Promise<void> {
  thinking.value = false
  thoughts.value = []
  return drop()
}
const thoughtText = computed(() => {
  const [now, then] = [state.value?.assessment, thought.value?.assessment]
  if (!thoughts.value.length || !now || !then) return 'Click, leave and move as you like; nothing is done yet.'
  const points = then.coverage.score - now.coverage.score
  return `${fmt.massChange(then.loads.total_g - now.loads.total_g, units.value)}, ${points < 0 ? '−' : '+'}${fmt.figure(Math.abs(points), 1)} % of the brief.`
})
watch(refused, (problem) => {
  if (!problem) return
  thoughts.value = thoughts.value.slice(0, -1)
  notify(problem)
})
function think(): void {
  thinking.value = !thinking.value
  thoughts.value = []
}
function keepThoughts(): void {
  edit(thoughts.value)
  think()
}
function change(edits: Edit[]): void {
  if (thinking.value) thoughts.value = [...thoughts.value, ...edits]
  else edit(edits)
}
/** The bag that new things go into; where none is open, each finds the first bag that fits it. */
const into = useSessionStorage(() => `into ${props.trip} ${props.kit}`, '')
const bags = computed(() => holders(things.value, entries.value).filter((c) => c.place.where === 'bag' && !c.place.outside))
const openBag = computed(() => bags.value.find((c) => placeKey(c.place) === into.value)?.place)
function load(item: string, count: number): void {
  const place = loaded.value.has(item) || things.value.get(item)?.kind === 'bag' ? undefined : openBag.value
  change([{ act: 'load', item, count, ...(place && { place }) }])
}
/** What is dragged from the mat just now; dropped, it is put there: moved, or loaded with all its pieces. */
const dragged = shallowRef<Thing | null>(null)
function put(place: Place): void {
  const thing = dragged.value
  dragged.value = null
  if (thing) change([loaded.value.has(thing.id) ? { act: 'move', item: thing.id, place } : { act: 'load', item: thing.id, count: thing.count ?? 1, place }])
}
function leave(item: string, count: number | null): void {
  change([{ act: 'leave', item, count }])
}
useKeys([
  { key: '/', does: 'Find gear on the mat', run: () => mat.value?.toFinder() },
  { key: 'c', does: 'Compare kits', run: () => void router.push({ name: 'compare', params: { trip: props.trip, kit: props.kit } }) },
  { key: 's', does: 'Suggest kits', run: () => void router.push({ name: 'suggest', params: { trip: props.trip, kit: props.kit } }) },
  { key: 'p', does: 'Put gear into a bag', run: () => (putting.value = true) },
  { key: 'u', does: 'Undo', run: () => state.value?.can_undo && undo() },
  { key: 'ctrl+z', does: 'Undo', run: () => state.value?.can_undo && undo() },
  { key: 'U', does: 'Redo', run: () => state.value?.can_redo && redo() },
  { key: 'ctrl+shift+z', does: 'Redo', run: () => state.value?.can_redo && redo() },
  { key: 'arrows', does: 'Next item on the mat' },
  { key: ' ', does: 'Load or leave the item on the mat' },
  { key: '+ −', does: 'One more or one less on the mat' },
  { key: 'Enter', does: 'Open the item on the mat' },
])
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names" :trial="trying ? thought?.assessment : null">
    <div v-if="brief && state && shown" class="screen grid">
      <div class="left">
        <ReachChart class="reach" :coverage="shown.assessment.coverage" :trip="brief" :names="names" @want="want = $event" />
        <GearMat ref="mat" class="table" :things="things" :loaded="loaded" @load="load" @leave="leave" @open="opened = $event" @drag="dragged = things.get($event ?? '') ?? null" />
      </div>
      <aside class="right" aria-label="Kit">
        <DropPlaces v-if="dragged" :thing="dragged" :things="things" :entries="entries" :people="brief.people ?? []" @put="put" />
        <div class="head">
          <KitTabs class="tabs" :trip="trip" :kit="kit" :kits="bench?.kits ?? []" />
          <button type="button" class="tab" :disabled="!state.can_undo || busy" :title="state.undo_by ? `Undo what ${state.undo_by} did (u)` : 'Undo (u)'" @click="undo">undo{{ state.undo_by ? ` ${state.undo_by}` : '' }}</button>
          <button type="button" class="tab" :disabled="!state.can_redo || busy" :title="state.redo_by ? `Redo what ${state.redo_by} did (Shift+u)` : 'Redo (Shift+u)'" @click="redo">redo{{ state.redo_by ? ` ${state.redo_by}` : '' }}</button>
        </div>
        <TabRow v-model="view" class="views" way label="Views of the kit" :tabs="VIEWS">
          <span class="grow" />
          <button type="button" class="tab" :aria-pressed="thinking" title="Try changes without keeping them" @click="think">what if</button>
          <RouterLink class="tab" :to="{ name: 'compare', params: { trip, kit } }" title="Compare kits (c)">compare</RouterLink>
          <RouterLink class="tab" :to="{ name: 'suggest', params: { trip, kit } }" title="Suggest kits (s)">suggest</RouterLink>
        </TabRow>
        <p v-if="bags.length" class="into label">
          <label v-if="bags.length > 1">New gear goes into <select v-model="into"><option value="">the first bag that fits</option><option v-for="c in bags" :key="placeKey(c.place)" :value="placeKey(c.place)">{{ c.title.slice(3) }}</option></select></label>
          <button type="button" class="link" title="Put gear into a bag (p)" @click="putting = true">put several in a bag</button>
        </p>
        <div v-if="thinking" class="thinking" role="status">
          <b>What if.</b> {{ thoughtText }}
          <button type="button" class="link" :disabled="!thoughts.length || busy" @click="keepThoughts">do it</button> or
          <button type="button" class="link" @click="think">forget it</button>
        </div>
        <SlotCards :trip="brief" :things="things" :loaded="loaded" :busy="busy" @edit="change" />
        <AdvicePending v-if="view === 'drops'" v-slot="{ advice }" class="ledger" :told="told">
          <DropsPanel :ledger="advice.ledger" :wants="brief.wants ?? []" :over="shown.assessment.legs.some((l) => !l.passes)" :names="names" :busy="busy" @edit="change" />
        </AdvicePending>
        <LossesPanel v-else-if="view === 'losses'" class="ledger" :at="at" :assessment="shown.assessment" :told="told" :wants="brief.wants ?? []" :names="names" :busy="busy" @edit="change" />
        <AdvicePending v-else-if="view === 'filters'" v-slot="{ advice }" class="ledger" :told="told">
          <FiltersPanel :trip="trip" :kit="kit" :filters="advice.filters" :loaded="loaded" :names="names" :busy="busy" @edit="change" />
        </AdvicePending>
        <LedgerPanel
          v-else
          class="ledger"
          :things="things"
          :entries="entries"
          :loads="shown.assessment.loads"
          :told="told"
          :names="names"
          @open="opened = $event"
        />
        <SplitBar v-model="share" class="split" label="Room for the findings" />
        <FindingsList class="findings" :findings="problems" :names="names" :busy="busy" :style="{ maxHeight: `${share}%` }" @cure="change" />
      </aside>
      <PutInto v-model:open="putting" :things="things" :entries="entries" :people="brief.people ?? []" :names="names" :busy="busy" @edit="change" />
      <ThingDialog :item="opened" :things="things" :entries="entries" :trip="brief" :assessment="shown.assessment" :told="told" :names="names" :busy="busy" @close="opened = null" @edit="change" />
      <AskFirst :model-value="leavingTo !== null" title="You are trying a change" text="Nothing you tried here is kept yet. Stay to keep it or go on trying, or leave and discard it." yes="Leave and drop it" @yes="leaveThoughts" @update:model-value="leavingTo = null" />
      <WantDialog :want="want" :trip="brief" :coverage="shown.assessment.coverage" :names="names" @close="want = null" />
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 396px;
  gap: 22px;
  padding: 12px 20px 12px;
  overflow: hidden;
}
.left,
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  min-width: 0;
}
.reach {
  flex: 0 1 auto;
  max-height: 44%;
}
.table {
  flex: 1 1 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 12px;
}
.head .tab:disabled {
  opacity: 0.45;
  cursor: default;
}
.tabs {
  flex: 1;
}
.views {
  border-bottom: 1px solid var(--line);
}
.views a {
  text-decoration: none;
}
.grow {
  flex: 1;
}
.thinking {
  background: var(--sheet);
  border-left: 3px solid var(--ochre);
  padding: 6px 10px;
}
.into {
  margin: -4px 0;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
}
.into select {
  max-width: 150px;
}
.ledger {
  flex: 1 1 0;
  min-height: 120px;
  overflow: auto;
}
.findings {
  flex: 0 0 auto;
  overflow: auto;
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: 1fr;
    grid-auto-rows: max-content;
    overflow: auto;
  }
  .table {
    min-height: 420px;
  }
  .ledger,
  .findings,
  .reach {
    max-height: none !important;
  }
  .split {
    display: none;
  }
}
.right {
  position: relative;
}
</style>
