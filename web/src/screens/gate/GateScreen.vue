<script setup lang="ts">
/** Gate: will it fly? Legs against bags, restricted things where they lie, the drill, the tray, the list. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { drillQuery } from '@/api/queries/stow'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useCures } from '@/composables/useCures'
import { useBench } from '@/composables/useBench'
import { useCarriersFor } from '@/composables/useCarriers'
import { useStowage } from '@/composables/useStowage'
import FindingsList from '@/components/FindingsList.vue'
import { advised } from '@/wording/advice'
import { ANSWER, ASK_THEM, decided, SORT } from '@/wording/gate'
import { blockName, roomName } from '@/wording/stow'
import GateDrill from './GateDrill.vue'
import LegMatrix from './LegMatrix.vue'
import ThingsList from './ThingsList.vue'

const props = defineProps<{ trip: string; kit: string }>()
const { bench, at, error, things, loaded, edit, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const { carriers: docs } = useCarriersFor(() => props.trip)
const carriers = computed(() => new Map(docs.value?.map((d) => [d.carrier.id, d.carrier])))
const { stowage } = useStowage(at)
const VIEWS = [
  { name: 'restricted', title: 'restricted' },
  { name: 'drill', title: 'if they take your bag' },
  { name: 'tray', title: 'security tray' },
  { name: 'list', title: 'customs and insurance list' },
] as const
const view = ref<(typeof VIEWS)[number]['name']>('restricted')
const drills = useQuery(computed(() => drillQuery(view.value === 'drill' ? at.value : null)))
const cures = useCures(at)
const findings = computed(() => advised(bench.value?.state.assessment.findings ?? [], cures.value).filter(({ finding }) => finding.stations.includes('gate')))
const gate = computed(() => bench.value?.state.assessment.gate)
const tray = computed(() =>
  (gate.value?.tray ?? []).map((lying) => {
    const placed = stowage.value?.placed.find((p) => p.items.includes(lying.item))
    const room = stowage.value?.rooms.find((r) => r.room === placed?.room)
    return { ...lying, placed, room }
  }),
)
const carried = computed(() => [...things.value.values()].flatMap((thing) => (loaded.value.has(thing.id) ? [{ thing, count: loaded.value.get(thing.id)! }] : [])))
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench && gate" class="screen grid stacks">
      <div class="left">
        <h1>Gate <span class="quiet">each carrier’s limits for each bag</span></h1>
        <LegMatrix v-if="bench.state.assessment.legs.length" class="grow" :assessment="bench.state.assessment" :trip="bench.trip.trip" :kit="bench.state.kit" :carriers="carriers" :names="names" />
        <p v-else class="quiet">No journey legs yet. <RouterLink :to="{ name: 'brief', params: { trip, kit } }">Add the legs of the journey</RouterLink> with their carriers to check every bag at the gate.</p>
      </div>
      <aside class="right" aria-label="At the gate">
        <TabRow v-model="view" class="views" way label="Views" :tabs="VIEWS" />
        <template v-if="view === 'restricted'">
          <FindingsList class="findings" :findings="findings" :names="names" :busy="busy" @cure="edit" />
          <div class="panel-body">
            <p class="quiet">{{ gate.flies ? ASK_THEM : 'No flights on this trip, so no flight rules. Buses, trains and ferries have rules of their own.' }}</p>
            <table v-if="gate.restricted.length">
              <thead><tr><th>item</th><th>as</th><th>where</th><th>usual answer</th></tr></thead>
              <tbody>
                <tr v-for="j in gate.restricted" :key="j.item + (j.bag ?? '') + j.person" :class="j.answer">
                  <td>{{ names.thing(j.item) }}<template v-if="j.count > 1"> × {{ j.count }}</template></td><td class="label">{{ SORT[j.sort] }}</td><td class="label">{{ decided(j) }}</td>
                  <td><b>{{ j.answer === 'no' ? '◆ ' : j.answer === 'ask' ? '▲ ' : '' }}{{ ANSWER[j.answer] }}</b> <span class="label">{{ j.note }}</span></td>
                </tr>
              </tbody>
            </table>
          </div>
        </template>
        <GateDrill v-else-if="view === 'drill'" class="panel-body" :drills="drills.data.value" :names="names" />
        <div v-else-if="view === 'tray'" class="panel-body">
          <p class="quiet">Items to take out at security. Begin with those buried deepest: they take longest.</p>
          <p v-if="!tray.length">{{ gate.flies ? 'No large electronics are in the cabin.' : 'No flights on this trip.' }}</p>
          <table v-else>
            <thead><tr><th>item</th><th>is in</th><th class="number">on top of it</th></tr></thead>
            <tbody>
              <tr v-for="t in tray" :key="t.item + t.bag"><td>{{ t.placed ? blockName(t.placed, names.thing) : names.thing(t.item) }}</td><td>{{ t.room ? roomName(t.room, names.thing) : t.bag ? names.thing(t.bag) : 'on the person' }}</td><td class="number">{{ t.placed ? (t.placed.layer || 'nothing') : '' }}</td></tr>
            </tbody>
          </table>
        </div>
        <ThingsList v-else class="panel-body" :loaded="carried" />
      </aside>
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 470px;
  gap: 24px;
  height: 100%;
}
.left,
.right {
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.right {
  border-left: 1px solid var(--line);
  padding-left: 20px;
}
.findings {
  max-height: 45%;
  overflow: auto;
  flex: none;
}
.panel-body {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
td,
th {
  vertical-align: top;
  padding: 4px 8px 4px 0;
}
.no b {
  color: var(--rust);
}
.ask b {
  color: var(--saddle);
}
@media print {
  .left,
  .views,
  .findings {
    display: none;
  }
  .grid {
    display: block;
  }
}
</style>
