<script setup lang="ts">
/** The bench: reach above, the mat below, the ledger and what to do about it beside them. */
import { computed, ref } from 'vue'
import type { Edit } from '@/api/types'
import TripFrame from '@/components/TripFrame.vue'
import { useBench, useNames } from '@/composables/useBench'
import { useKeys } from '@/composables/useKeys'
import FindingsList from './FindingsList.vue'
import GearMat from './GearMat.vue'
import KitTabs from './KitTabs.vue'
import LedgerPanel from './LedgerPanel.vue'
import ReachChart from './ReachChart.vue'
import ThingDialog from './ThingDialog.vue'
import WantDialog from './WantDialog.vue'

const props = defineProps<{ trip: string; kit: string }>()
const { bench, error, edit, undo, redo, things, entries, loaded } = useBench(
  () => props.trip,
  () => props.kit,
)
const brief = computed(() => bench.value?.trip.trip)
const state = computed(() => bench.value?.state)
const names = useNames(brief, things)
const mat = ref<InstanceType<typeof GearMat> | null>(null)
const opened = ref<string | null>(null)
const want = ref<string | null>(null)
const busy = computed(() => edit.isPending.value || undo.isPending.value || redo.isPending.value)
const problems = computed(() => state.value?.assessment.findings ?? [])

function change(edits: Edit[]): void {
  edit.mutate(edits)
}
function load(item: string, count: number): void {
  change([{ act: 'load', item, count }])
}
function leave(item: string, count: number | null): void {
  change([{ act: 'leave', item, count }])
}
useKeys([
  { key: '/', does: 'Find gear on the mat', run: () => mat.value?.toFinder() },
  { key: 'u', does: 'Undo', run: () => state.value?.can_undo && undo.mutate() },
  { key: 'U', does: 'Redo', run: () => state.value?.can_redo && redo.mutate() },
])
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="brief && state" class="screen grid">
      <div class="left">
        <ReachChart class="reach" :coverage="state.assessment.coverage" :trip="brief" :names="names" @want="want = $event" />
        <GearMat ref="mat" class="table" :things="things" :loaded="loaded" @load="load" @leave="leave" @open="opened = $event" />
      </div>
      <aside class="right" aria-label="Kit">
        <div class="head">
          <KitTabs class="tabs" :trip="trip" :kit="kit" :kits="bench?.kits ?? []" />
          <button type="button" class="tab" :disabled="!state.can_undo || busy" title="Undo (u)" @click="undo.mutate()">undo</button>
          <button type="button" class="tab" :disabled="!state.can_redo || busy" title="Redo (Shift+u)" @click="redo.mutate()">redo</button>
        </div>
        <LedgerPanel
          class="ledger"
          :things="things"
          :entries="entries"
          :coverage="state.assessment.coverage"
          :total="state.assessment.loads.total_g"
          :names="names"
          @open="opened = $event"
        />
        <FindingsList class="findings" :findings="problems" :names="names" :busy="busy" @cure="change" />
      </aside>
      <ThingDialog :item="opened" :things="things" :entries="entries" :trip="brief" :coverage="state.assessment.coverage" :names="names" :busy="busy" @close="opened = null" @edit="change" />
      <WantDialog :want="want" :trip="brief" :coverage="state.assessment.coverage" :names="names" @close="want = null" />
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
.ledger {
  flex: 1 1 0;
  min-height: 120px;
  overflow: auto;
}
.findings {
  flex: 0 1 auto;
  max-height: 46%;
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
    max-height: none;
  }
}
</style>
