<script setup lang="ts">
/** Puts a selection of what is loaded, or all of it, into one place: one act, and one step to undo. */
import { computed, ref, useId, watch } from 'vue'
import type { Edit, Entry, Thing, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { placeKey, places, type Choice } from '@/wording/choices'
import { many } from '@/wording/parts'
import { placeName } from '@/wording/loadouts'
import SheetDialog from './SheetDialog.vue'

const props = defineProps<{ things: Map<string, Thing>; entries: Map<string, Entry[]>; people: NonNullable<Trip['people']>; names: Names; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const open = defineModel<boolean>('open', { required: true })
const units = useUnits()
const id = useId()
const to = ref('')
const chosen = ref(new Set<string>())

/** Whatever holds the place cannot go into it. */
const choices = computed<Choice[]>(() => places(props.things, props.entries, props.people))
const target = computed(() => choices.value.find((c) => placeKey(c.place) === to.value))
const around = computed(() => {
  const found = new Set<string>()
  for (let at = target.value?.place; at?.where === 'bag' && !found.has(at.bag); at = props.entries.get(at.bag)?.[0]?.place) found.add(at.bag)
  return found
})
const rows = computed(() =>
  [...props.entries].flatMap(([item, list]) => {
    const thing = props.things.get(item)
    const piece = list.some((e) => e.place.where === 'piece')
    if (!thing || piece || around.value.has(item)) return []
    const there = list.length === 1 && to.value !== '' && placeKey(list[0]!.place) === to.value && !(list[0]!.place.where === 'worn' && list[0]!.place.unplaced)
    return [{ thing, there, count: list.reduce((n, e) => n + (e.count ?? 1), 0), now: [...new Set(list.map((e) => placeName(e.place, props.names)))].join(', ') }]
  }),
)
const going = computed(() => rows.value.filter((r) => chosen.value.has(r.thing.id) && !r.there))
const grams = computed(() => going.value.reduce((sum, r) => sum + r.thing.mass_g * r.count, 0))
const all = computed({
  get: () => rows.value.length > 0 && rows.value.every((r) => chosen.value.has(r.thing.id)),
  set: (on: boolean) => (chosen.value = new Set(on ? rows.value.map((r) => r.thing.id) : [])),
})
watch(open, (now) => {
  if (!now) return
  chosen.value = new Set()
  to.value ||= choices.value[0] ? placeKey(choices.value[0].place) : ''
  if (!choices.value.some((c) => placeKey(c.place) === to.value)) to.value = choices.value[0] ? placeKey(choices.value[0].place) : ''
})
function toggle(item: string): void {
  const next = new Set(chosen.value)
  if (!next.delete(item)) next.add(item)
  chosen.value = next
}
function put(): void {
  const place = target.value?.place
  if (!place || !going.value.length) return
  emit('edit', going.value.map((r) => ({ act: 'move', item: r.thing.id, place })))
  open.value = false
}
</script>

<template>
  <SheetDialog v-model="open" max-width="560" aria-label="Put gear into a bag">
    <form class="sheet" @submit.prevent="put">
      <h1>Put gear into a bag</h1>
      <p v-if="!rows.length" class="quiet">Nothing loaded could go into another bag.</p>
      <template v-else>
        <label class="to" :for="id"><span>Into</span>
          <select :id="id" v-model="to"><option v-for="c in choices" :key="placeKey(c.place)" :value="placeKey(c.place)">{{ c.title.replace(/^in /, '') }}</option></select>
        </label>
        <label class="line all"><input v-model="all" type="checkbox" /> <b>All of it</b></label>
        <ul>
          <li v-for="r in rows" :key="r.thing.id">
            <label class="line"><input type="checkbox" :checked="chosen.has(r.thing.id)" @change="toggle(r.thing.id)" /> <span>{{ r.count > 1 ? `${r.count} × ` : '' }}{{ r.thing.name }}</span><span class="label">{{ r.now }}</span></label>
          </li>
        </ul>
      </template>
      <div class="end">
        <span v-if="going.length" class="label" role="status">{{ many(going.length, 'item') }}, {{ fmt.load(grams, units) }}</span>
        <VBtn @click="open = false">Cancel</VBtn>
        <VBtn type="submit" :disabled="!going.length || busy">Put {{ going.length === 1 ? 'it' : 'them' }} there</VBtn>
      </div>
    </form>
  </SheetDialog>
</template>

<style scoped>
.to {
  display: flex;
  gap: 10px;
  align-items: baseline;
  margin: 6px 0;
}
.to select {
  flex: 1;
  min-height: 34px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 46vh;
  overflow: auto;
}
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.line .label {
  margin-left: auto;
}
.end {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: flex-end;
  margin-top: 12px;
}
@media (max-width: 700px) {
  .line {
    min-height: 44px;
    align-items: center;
  }
}
</style>
