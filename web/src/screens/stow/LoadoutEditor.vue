<script setup lang="ts">
/** What goes along on a loadout: each thing of the kit with its place, days and a name. */
import { computed } from 'vue'
import type { Day, Leg, Loadout, Person, Place, Thing } from '@/api/types'
import type { Names } from '@/wording/names'
import { day as dayName } from '@/format/dates'
import { inBag, onPerson } from '@/wording/choices'
import { placeName, withPlace } from '@/wording/loadouts'
import TabRow from '@/components/TabRow.vue'

const props = defineProps<{ loadout: Loadout; loaded: { thing: Thing; count: number }[]; people: Person[]; days: Day[]; legs: Leg[]; names: Names; busy: boolean }>()
const emit = defineEmits<{ change: [loadout: Loadout]; remove: [] }>()
const STAYS = ''
const bags = computed(() => props.loaded.filter(({ thing }) => thing.kind === 'bag' || thing.kind === 'insert'))
const others = computed(() => props.loaded.filter(({ thing }) => thing.kind !== 'bag' && thing.kind !== 'insert'))
const along = computed(() => bags.value.filter(({ thing }) => props.loadout.entries?.some((e) => e.item === thing.id)))

function key(place: Place | undefined): string {
  return place ? JSON.stringify(place) : STAYS
}
function now(item: string): string {
  return key(props.loadout.entries?.find((e) => e.item === item)?.place)
}
/** Where a thing may go: in a bag that goes along, on somebody, or, for a bag, carried by somebody. */
function places(thing: Thing): { value: string; title: string }[] {
  const inside: Place[] = along.value.filter((b) => b.thing.id !== thing.id).map((b) => inBag(b.thing.id))
  const worn: Place[] = props.people.map((p) => onPerson(p.id))
  const piece = thing.kind === 'bag' ? (thing.piece === 'hold' ? 'cabin' : (thing.piece ?? 'cabin')) : null
  const pieces: Place[] = piece ? props.people.map((p) => ({ where: 'piece', piece, person: p.id })) : []
  const all = thing.kind === 'bag' ? pieces : [...inside, ...worn]
  const known = props.loadout.entries?.find((e) => e.item === thing.id)?.place
  if (known && !all.some((p) => key(p) === key(known))) all.push(known)
  return [{ value: STAYS, title: 'stays' }, ...all.map((p) => ({ value: key(p), title: placeName(p, props.names) }))]
}
function put(thing: Thing, count: number, event: Event): void {
  const value = (event.target as HTMLSelectElement).value
  emit('change', withPlace(props.loadout, thing.id, count, value === STAYS ? null : (JSON.parse(value) as Place)))
}
function toggle(date: string): void {
  const days = props.loadout.days ?? []
  emit('change', { ...props.loadout, days: days.includes(date) ? days.filter((d) => d !== date) : [...days, date].sort() })
}
function toggleLeg(id: string): void {
  const legs = props.loadout.legs ?? []
  emit('change', { ...props.loadout, legs: legs.includes(id) ? legs.filter((l) => l !== id) : [...legs, id] })
}
/** Bodies that come along with the lenses that fit them and come along, too. */
const cameras = computed(() => {
  const here = new Set(props.loadout.entries?.map((e) => e.item))
  const lenses = props.loaded.flatMap(({ thing }) => (thing.kind === 'lens' && here.has(thing.id) ? [thing] : []))
  return props.loaded.flatMap(({ thing }) => (thing.kind === 'body' && here.has(thing.id) && thing.mount ? [{ body: thing, lenses: lenses.filter((l) => l.mount === thing.mount) }] : [])).filter((c) => c.lenses.length)
})
function mounted(body: string): string {
  return props.loadout.mounts?.find((m) => m.body === body)?.lens ?? STAYS
}
function mount(body: string, event: Event): void {
  const lens = (event.target as HTMLSelectElement).value
  const others = (props.loadout.mounts ?? []).filter((m) => m.body !== body && m.lens !== lens)
  emit('change', { ...props.loadout, mounts: lens === STAYS ? others : [...others, { body, lens }] })
}
</script>

<template>
  <div class="editor">
    <VTextField :model-value="loadout.name" label="Name" maxlength="80" hide-details @change="emit('change', { ...loadout, name: ($event.target as HTMLInputElement).value.trim() || loadout.name })" />
    <TabRow v-if="days.length" class="days" label="Days of this loadout" :tabs="days.map((d) => ({ name: d.date, title: dayName(d.date), hint: d.title }))" :model-value="loadout.days ?? []" @update:model-value="toggle" />
    <TabRow v-if="legs.length" class="days" label="Journey legs packed this way" :tabs="legs.map((l) => ({ name: l.id, title: l.name, hint: 'Gate checks this leg with this loadout' }))" :model-value="loadout.legs ?? []" @update:model-value="toggleLeg" />
    <label v-for="c in cameras" :key="c.body.id" class="row">
      <span>Lens on {{ c.body.name }}</span>
      <select :value="mounted(c.body.id)" :disabled="busy" @change="mount(c.body.id, $event)"><option :value="STAYS">as in transit</option><option v-for="l in c.lenses" :key="l.id" :value="l.id">{{ l.name }}</option></select>
    </label>
    <template v-for="(list, index) in [bags, others]" :key="index">
      <h2>{{ index ? 'Gear' : 'Bags' }} <span class="quiet">{{ index ? 'the rest of the kit stays at the base' : 'on this loadout' }}</span></h2>
      <label v-for="{ thing, count } in list" :key="thing.id" class="row">
        <span>{{ thing.name }}<template v-if="count > 1"> × {{ count }}</template></span>
        <select :value="now(thing.id)" :disabled="busy" @change="put(thing, count, $event)"><option v-for="p in places(thing)" :key="p.value" :value="p.value">{{ p.title }}</option></select>
      </label>
    </template>
    <p><button type="button" class="link" :disabled="busy" @click="emit('remove')">Remove this loadout</button></p>
  </div>
</template>

<style scoped>
.editor {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding-top: 8px;
}
.days {
  margin: 6px 0;
}
h2 {
  margin-top: 10px;
}
.row {
  display: grid;
  grid-template-columns: 1fr 128px;
  gap: 8px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding: 2px 0;
}
select {
  min-width: 0;
}
</style>
