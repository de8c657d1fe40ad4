<script setup lang="ts">
/** Pack-out: the evening before. What goes where in which order, what is not in yet, what is to be done, and the scale. */
import { computed, ref } from 'vue'
import type { OutLine } from '@/api/types'
import TickRow from '@/components/TickRow.vue'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useBench } from '@/composables/useBench'
import { useField } from '@/composables/useField'
import { usePackOut } from '@/composables/usePackOut'
import { usePwa } from '@/composables/usePwa'
import { ticked, tickedBy, toggled } from '@/field/subjects'
import { inBag, onPerson } from '@/wording/choices'
import { moves } from '@/wording/dividers'
import { HARM, lastHour, pieces } from '@/wording/packout'
import FieldState from '@/screens/trail/FieldState.vue'
import AddThing from './AddThing.vue'
import BagLines from './BagLines.vue'
import BeforeLeaving from './BeforeLeaving.vue'
import TakeAlong from './TakeAlong.vue'
import WeighBags from './WeighBags.vue'

const props = defineProps<{ trip: string; kit: string }>()
const { bench, at, error, things, loaded, edit, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const field = useField(() => props.trip)
const { list, wanted, scale } = usePackOut(at)
usePwa()
const PARTS = [
  { name: 'list', title: 'list' },
  { name: 'last', title: 'final check' },
  { name: 'before', title: 'before leaving' },
  { name: 'scale', title: 'scale' },
  { name: 'along', title: 'take along' },
] as const
const part = ref<(typeof PARTS)[number]['name']>('list')
/** With room for two, the list stays and the others take turns beside it. */
const side = computed(() => (part.value === 'list' ? 'last' : part.value))
const person = ref('')
const lines = computed<OutLine[]>(() => [...(list.value?.bags ?? []).flatMap((b) => b.lines), ...(list.value?.worn ?? [])])
const done = (line: string): boolean => ticked(field.stands.value, line)
const by = (line: string): string | null => tickedBy(field.stands.value, line)
const inBags = computed(() => lines.value.filter((l) => done(l.id)).length)
const last = computed(() => lastHour(lines.value, done))
const people = computed(() => bench.value?.trip.trip.people ?? [])
const bags = computed(() => (list.value?.bags ?? []).filter((b) => b.lines.length && (!person.value || b.person === person.value)))
const worn = computed(() => (list.value?.worn ?? []).filter((l) => !person.value || l.person === person.value))
function tick(line: string): void {
  void field.mark(toggled(line))
}
/** One thing more, into a bag that comes along. */
const moved = computed(() => (list.value ? moves(list.value, names.value.thing) : []))
function add(item: string, bag: string): void {
  edit([{ act: 'load', item, count: 1, place: inBag(bag) }])
}
/** Another of the same kind takes the place of what stays at home. */
function swap(line: OutLine, item: string): void {
  const place = line.bag === null ? onPerson(line.person) : inBag(line.bag, line.outside)
  edit([
    { act: 'leave', item: line.item },
    { act: 'load', item, count: 1, place },
  ])
}
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench && list" class="screen grid" :data-part="part" :data-side="side">
      <header class="top">
        <h1>Pack-out <span class="quiet">{{ inBags }} of {{ lines.length }} in</span></h1>
        <FieldState :field="field" :names="names" />
        <TabRow v-if="people.length > 1" v-model="person" label="Whose bags" :tabs="[{ name: '', title: 'all' }, ...people.map((p) => ({ name: p.id, title: p.name }))]" />
        <TabRow v-model="part" class="parts" way label="Parts of pack-out" :tabs="PARTS" />
      </header>
      <section class="list" aria-label="The list">
        <p v-if="!lines.length" class="quiet">Nothing is loaded yet. <RouterLink :to="{ name: 'bench', params: { trip, kit } }">Load gear on the Bench</RouterLink>, and your list appears here.</p>
        <p v-if="moved.length" class="moved" role="status"><b>Moves</b> since it was last packed: {{ moved.join('; ') }}.</p>
        <div class="columns">
        <BagLines v-for="bag in bags" :key="bag.bag" :head="names.thing(bag.bag)" :under="bag.inside ? `goes into ${names.thing(bag.inside)}` : names.person(bag.person)" :lines="bag.lines" :rooms="list.rooms" :done="done" :by="by" :things="things" :names="names" @tick="tick" @swap="swap" />
        <BagLines v-if="worn.length" head="On you" under="in pockets, on belts" :lines="worn" :rooms="list.rooms" :done="done" :by="by" :things="things" :names="names" @tick="tick" @swap="swap" />
        </div>
        <AddThing :bags="list.bags.map((b) => b.bag)" :things="things" :loaded="loaded" :names="names" :busy="busy" @add="add" />
      </section>
      <TabRow class="sides" way label="Beside the list" :tabs="PARTS.slice(1)" :model-value="side" @update:model-value="part = $event" />
      <section class="last" aria-label="Final check">
        <h2>Final check <span class="quiet">{{ last.length ? 'not packed yet, worst first' : lines.length ? 'everything is packed' : '' }}</span></h2>
        <ol class="lines">
          <li v-for="line in last" :key="line.id"><TickRow :done="false" :head="pieces(names.thing(line.item), line.count)" :body="line.absent ? 'not here yet' : HARM[line.harm]" @tick="tick(line.id)" /></li>
        </ol>
      </section>
      <BeforeLeaving class="before" :list="list" :wanted="wanted ?? []" :done="done" :names="names" @tick="tick" />
      <WeighBags class="scale" :bags="list.bags" :entries="bench.state.kit.entries ?? []" :field="field" :scale="scale" :things="things" :names="names" />
      <TakeAlong class="along" :trip="trip" :kit="kit" />
    </div>
    <p v-else-if="bench" class="screen quiet" role="status">Packing the bags…</p>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template: auto auto minmax(0, 1fr) / minmax(0, 1fr) 360px;
  gap: 10px 36px;
  height: 100%;
}
.top {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
}
.parts {
  display: none;
}
.list {
  grid-row: 2 / 4;
  overflow: auto;
}
.moved {
  border-left: 4px solid var(--ochre);
  padding: 4px 10px;
  margin: 0 0 10px;
}
.columns {
  columns: 2;
  column-gap: 30px;
}
.grid > section:not(.list) {
  display: none;
  overflow: auto;
}
.grid[data-side='last'] > .last,
.grid[data-side='before'] > .before,
.grid[data-side='scale'] > .scale,
.grid[data-side='along'] > .along {
  display: block;
}
@media (max-width: 1000px) {
  .columns {
    columns: 1;
  }
}
@media (max-width: 700px) {
  .grid {
    display: flex;
    flex-direction: column;
    height: auto;
  }
  .parts {
    display: flex;
    width: 100%;
    gap: 4px;
  }
  .parts :deep(.tab) {
    flex: 1;
    padding: 12px 2px;
  }
  .sides,
  .grid > section,
  .grid > section:not(.list) {
    display: none;
  }
  .grid[data-part='list'] > .list,
  .grid[data-part='last'] > .last,
  .grid[data-part='before'] > .before,
  .grid[data-part='scale'] > .scale,
  .grid[data-part='along'] > .along {
    display: block;
  }
}
</style>
