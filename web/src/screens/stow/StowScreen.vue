<script setup lang="ts">
/** Stow: does it fit, and where does everything go? Bags on the left, one space in the middle, what to do on the right. */
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import type { Edit, Loadout, Placed, Stow } from '@/api/types'
import PutInto from '@/components/PutInto.vue'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useBench } from '@/composables/useBench'
import { useKeys } from '@/composables/useKeys'
import { useUnits } from '@/composables/useSession'
import { useOuting } from '@/composables/useOuting'
import { useStowage } from '@/composables/useStowage'
import { roomAt, type Free } from '@/drawing/stow'
import * as fmt from '@/format/units'
import { GROUPS, groupOf } from '@/wording/kinds'
import { edited, fresh } from '@/wording/loadouts'
import { packingNow } from '@/wording/searches'
import { blockName, roomName, type Find } from '@/wording/stow'
import BagsList from './BagsList.vue'
import KindLegend from './KindLegend.vue'
import LoadoutEditor from './LoadoutEditor.vue'
import LoadoutList from './LoadoutList.vue'
import FoamPlan from './FoamPlan.vue'
import RoomPlan from './RoomPlan.vue'
import StowDetails from './StowDetails.vue'
import StowTable from './StowTable.vue'

// The drawing in the round is large: it comes when it is asked for.
const RoomTurned = defineAsyncComponent(() => import('./RoomTurned.vue'))

const props = defineProps<{ trip: string; kit: string }>()
const units = useUnits()
const { bench, at, error, things, entries, loaded, edit, stow: keepStow, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const loadout = ref('')
const { stowage, problem, running, ahead, trying, better, again, anew, disturb, paper } = useStowage(at, () => loadout.value)
const { outing } = useOuting(at, loadout)
const editing = ref(false)
const putting = ref(false)
useKeys([{ key: 'p', does: 'Put gear into a bag', run: () => (putting.value = !out.value) }])
const chosen = ref<string | null>(null)
const picked = ref<string | null>(null)
const free = ref<Free | null>(null)
const VIEWS = [
  { name: 'plan', title: 'plan and section' },
  { name: 'turned', title: '3D' },
  { name: 'table', title: 'as a table' },
  { name: 'foam', title: 'foam' },
] as const
const view = ref<(typeof VIEWS)[number]['name']>('plan')
/** Only hard cases have foam to cut. */
const views = computed(() => VIEWS.filter((v) => v.name !== 'foam' || hard.value))
const cut = ref(0)
const line = ref(0)

const rooms = computed(() => stowage.value?.rooms ?? [])
/** The space with most in it opens first; a cabin bag's insert is what people look for. */
const room = computed(() => rooms.value.find((r) => r.room === chosen.value) ?? [...rooms.value].sort((a, b) => inside(b.room).length - inside(a.room).length)[0])
function inside(id: string): Placed[] {
  return stowage.value?.placed.filter((p) => p.room === id) ?? []
}
const hard = computed(() => {
  const bag = room.value && things.value.get(room.value.bag)
  return bag?.kind === 'bag' && bag.hard === true
})
const placed = computed(() => (room.value ? inside(room.value.room) : []))
const pickedBlock = computed(() => placed.value.find((p) => p.block === picked.value) ?? null)
const loadouts = computed(() => bench.value?.state.kit.stow?.loadouts ?? [])
const out = computed(() => loadouts.value.find((l) => l.id === loadout.value))
const loads = computed(() => (out.value && outing.value?.loadout === out.value.id ? outing.value.loads : bench.value!.state.assessment.loads))
const stow = computed<Stow>(() => bench.value?.state.kit.stow ?? { gap_mm: 8, pins: [], mounts: [], nests: [], wishes: [], hangs: [], rides: [], loadouts: [] })
const carried = computed(() => [...things.value.values()].filter((t) => loaded.value.has(t.id)))
const pieces = computed(() => carried.value.map((thing) => ({ thing, count: loaded.value.get(thing.id)! })))
const name = (block: Placed): string => blockName(block, names.value.thing)
const away = computed(() => new Set(placed.value.filter((p) => p.items.some((item) => things.value.get(item)?.absent)).map((p) => p.block)))
const groups = computed(() => GROUPS.filter((g) => placed.value.some((p) => group(p) === g)))
const group = (block: Placed): string => groupOf(things.value.get(block.items[0]!)?.kind ?? 'other')

watch(
  () => room.value?.room,
  () => {
    cut.value = room.value?.size_mm[2] ?? 0
    line.value = Math.round((room.value?.size_mm[1] ?? 0) / 2)
    free.value = null
    if (!pickedBlock.value) picked.value = null
  },
  { immediate: true },
)
function pick(block: string | null): void {
  picked.value = block
  free.value = null
  const p = pickedBlock.value
  if (p) line.value = Math.round(p.at_mm[1]! + p.size_mm[1]! / 2)
}
function point(x: number, y: number): void {
  picked.value = null
  free.value = room.value ? roomAt(placed.value, room.value, stowage.value?.gap_mm ?? 0, x, y) : null
}
function found(find: Find): void {
  if (find.room) chosen.value = find.room
  if (find.block) picked.value = find.block
}
function pin(block: Placed, at: [number, number, number]): void {
  const item = block.items[0]!
  const others = (stow.value.pins ?? []).filter((p) => p.item !== item || p.bag !== room.value!.bag)
  keepStow({ ...stow.value, pins: [...others, { item, bag: room.value!.bag, compartment: room.value!.compartment, at_mm: at, turn: block.turn }] })
}
function pinAt(id: string, at: [number, number, number]): void {
  const block = placed.value.find((p) => p.block === id)
  if (block) pin(block, at)
}
/** What helps is done where it helps: in the loadout that is shown, or in the kit. */
function mend(edits: Edit[]): void {
  if (out.value) keep(edited(out.value, edits, loaded.value))
  else edit(edits)
}
function keep(changed: Loadout): void {
  keepStow({ ...stow.value, loadouts: loadouts.value.map((l) => (l.id === changed.id ? changed : l)) })
}
function add(): void {
  const bags = [...entries.value.values()].flat().filter((e) => e.place.where === 'piece' && e.place.piece !== 'hold')
  const litres = (item: string): number => {
    const bag = things.value.get(item)
    return bag?.kind === 'bag' ? bag.volume_l : 0
  }
  const made = fresh(
    loadouts.value,
    bags.sort((a, b) => litres(a.item) - litres(b.item))[0],
  )
  keepStow({ ...stow.value, loadouts: [...loadouts.value, made] }, () => choose(made.id, true))
}
function remove(): void {
  const rest = loadouts.value.filter((l) => l.id !== loadout.value)
  choose('', false)
  keepStow({ ...stow.value, loadouts: rest })
}
function choose(id: string, edits: boolean): void {
  loadout.value = id
  editing.value = edits
  chosen.value = picked.value = null
}
watch(
  () => props.kit,
  () => choose('', false),
)
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench && stowage && (room || out)" class="screen grid stacks">
      <div class="left">
        <LoadoutList :loadouts="loadouts" :chosen="loadout" :outing="outing" :editing="editing" :busy="busy" :names="names" @choose="choose($event, false)" @add="add" @edit="editing = !editing" />
        <BagsList :stowage="stowage" :loads="loads" :room="room?.room ?? null" :names="names" @choose="chosen = $event" @found="found" />
        <p v-if="!out" class="ways">
          <button type="button" class="link" title="Key p" @click="putting = true">Put gear into a bag</button>
          <RouterLink class="link" :to="{ name: 'bags' }">Choose bags and who carries what</RouterLink>
        </p>
      </div>
      <p v-if="!room" class="quiet">This loadout has no bag. Pick one on the right.</p>
      <div v-else class="middle">
        <header class="top">
          <h1>{{ roomName(room, names.thing) }} <span class="quiet">inside {{ fmt.sides(room.size_mm, units) }}</span></h1>
          <span class="grow" />
          <span v-if="running || trying || better" class="label" role="status">{{ packingNow({ running, ahead, trying, better }) }}</span>
          <TabRow v-model="view" way label="Views of the bag" :tabs="views" />
        </header>
        <p v-if="problem" class="bad" role="alert">{{ problem.title }}</p>
        <StowTable v-if="view === 'table'" class="grow" :stowage="stowage" :names="names" />
        <FoamPlan v-else-if="view === 'foam' && hard" :key="room.bag" :at="at ?? { trip, kit, stamp: bench.state.stamp }" :bag="room.bag" :names="names" />
        <RoomTurned v-else-if="view === 'turned'" :key="room.room" :room="room" :placed="placed" :picked="picked" :group="group" :name="name" @pick="pick" />
        <template v-else>
          <RoomPlan :key="room.room" :room="room" :placed="placed" :picked="picked" :free="free" :cut="cut" :line="line" :away="away" :name="name" :group="group" :thing="(id) => things.get(id)" @pick="pick" @point="point" @pin="pinAt" />
          <div class="sliders">
            <label class="slider"><span>Front view, cut at depth <b>{{ fmt.side(cut, units) }}</b></span><VSlider v-model="cut" :min="1" :max="room.size_mm[2]" :step="1" aria-label="Depth of the plan" hide-details /></label>
            <label class="slider"><span>Section at <b>{{ fmt.side(line, units) }}</b></span><VSlider v-model="line" :min="0" :max="room.size_mm[1]" :step="1" aria-label="Place of the section" hide-details /></label>
          </div>
          <KindLegend :groups="groups" :absent="placed.some((p) => away.has(p.block))" :pinned="placed.some((p) => p.pinned)" :deep="placed.some((p) => p.layer > 0)" :walls="(room.dividers ?? []).length > 0" />
        </template>
      </div>
      <PutInto v-model:open="putting" :things="things" :entries="entries" :people="bench.trip.trip.people ?? []" :names="names" :busy="busy" @edit="edit" />
      <LoadoutEditor v-if="out && (editing || !room)" class="right" :loadout="out" :loaded="pieces" :people="bench.trip.trip.people ?? []" :days="bench.trip.trip.days ?? []" :legs="bench.trip.trip.legs ?? []" :names="names" :busy="busy" @change="keep" @remove="remove" />
      <StowDetails v-else-if="room" class="right" :stowage="stowage" :room="room" :picked="pickedBlock" :free="free" :stow="stow" :slots="bench.trip.trip.marks?.slots ?? []" :outer="things.get(room.bag)" :loaded="carried" :names="names" :running="running" :busy="busy" @mend="mend" @again="again" @anew="anew" @disturb="disturb" :file="(form) => paper(room!.room, form)" @stow="keepStow($event)" @pin="pin($event, $event.at_mm)" />
    </div>
    <p v-else-if="bench && stowage" class="screen quiet">No bag is loaded. <RouterLink :to="{ name: 'bench', params: { trip, kit } }">Load one on the bench</RouterLink> to see where everything goes.</p>
    <p v-else-if="problem" class="screen bad" role="alert">{{ problem.title }}</p>
    <p v-else-if="bench" class="screen quiet" role="status">Packing…</p>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 264px minmax(0, 1fr) 290px;
  gap: 24px;
  height: 100%;
}
.left,
.middle,
.right {
  min-height: 0;
}
.left {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 18px;
}
.ways {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 4px;
  margin: 0;
}
.middle {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.top {
  display: flex;
  align-items: baseline;
  gap: 14px;
}
@media (max-width: 1000px) {
  .middle {
    min-height: 620px;
  }
  .top {
    flex-wrap: wrap;
  }
}
.sliders {
  display: flex;
  gap: 40px;
}
.slider {
  flex: 1;
}
</style>
