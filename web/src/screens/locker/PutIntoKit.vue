<script setup lang="ts">
/** Loads what is picked into a kit of a trip: all pieces of each, into one bag or where each belongs. */
import { computed, ref, watch } from 'vue'
import { useQuery } from '@tanstack/vue-query'
import { benchQuery } from '@/api/queries/bench'
import { tripsQuery } from '@/api/queries/trips'
import type { Edit, ThingDoc } from '@/api/types'
import SheetDialog from '@/components/SheetDialog.vue'
import { doChange } from '@/composables/useKitChanges'
import { notify } from '@/composables/useNotice'
import { many } from '@/wording/parts'

const open = defineModel<boolean>({ required: true })
const props = defineProps<{ docs: ThingDoc[] }>()
const { data: trips } = useQuery(tripsQuery)
const trip = ref('')
const kit = ref('')
const bag = ref('')
const busy = ref(false)
watch([open, trips], () => {
  if (!open.value || trip.value || !trips.value?.length) return
  const first = trips.value.find((d) => d.trip.status === 'current') ?? trips.value.at(-1)!
  trip.value = first.trip.id
  kit.value = first.open_kit
})
const at = computed(() => (open.value && trip.value && kit.value ? { trip: trip.value, kit: kit.value } : null))
const { data: bench } = useQuery(computed(() => ({ ...benchQuery(at.value ?? { trip: '', kit: '' }), enabled: at.value !== null })))
watch(trip, (id) => {
  const doc = trips.value?.find((d) => d.trip.id === id)
  if (doc) kit.value = doc.open_kit
})
const loaded = computed(() => {
  const counts = new Map<string, number>()
  for (const entry of bench.value?.state.kit.entries ?? []) counts.set(entry.item, (counts.get(entry.item) ?? 0) + (entry.count ?? 1))
  return counts
})
const bags = computed(() => (bench.value?.gear ?? []).map((d) => d.thing).filter((t) => (t.kind === 'bag' || t.kind === 'insert') && loaded.value.has(t.id)))
/** Bags first: what is loaded after them finds its place. Pieces in the kit already stay where they are. */
const edits = computed<Edit[]>(() => {
  const more = props.docs.map((d) => ({ thing: d.thing, count: (d.thing.count ?? 1) - (loaded.value.get(d.thing.id) ?? 0) })).filter((m) => m.count > 0 && !m.thing.absent)
  const rank = (kind: string): number => (kind === 'bag' ? 0 : kind === 'insert' ? 1 : 2)
  return more
    .sort((a, b) => rank(a.thing.kind) - rank(b.thing.kind))
    .map(({ thing, count }) => ({ act: 'load' as const, item: thing.id, count, ...(bag.value && bag.value !== thing.id && thing.kind !== 'bag' ? { place: { where: 'bag' as const, bag: bag.value, outside: false } } : {}) }))
})
async function put(): Promise<void> {
  if (!bench.value || !at.value || !edits.value.length) return
  busy.value = true
  try {
    await doChange({ target: { ...at.value, version: bench.value.state.version }, change: { what: 'edits', edits: edits.value } })
    notify(`${many(edits.value.length, 'item')} loaded into kit “${bench.value.state.kit.name}” of “${bench.value.trip.trip.name}”. You can undo it on its Bench.`)
    open.value = false
  } catch (problem) {
    notify(problem as Error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <SheetDialog v-model="open" max-width="460" aria-label="Put into a kit">
    <form class="sheet form" @submit.prevent="put">
      <h2>Put {{ many(docs.length, 'item') }} into a kit</h2>
      <p v-if="trips?.length === 0">No trip yet. Plan one under Trips first.</p>
      <template v-else>
        <VSelect v-model="trip" label="Trip" :items="(trips ?? []).map((d) => ({ value: d.trip.id, title: d.trip.name }))" />
        <VSelect v-model="kit" label="Kit" :items="(bench?.kits ?? []).map((k) => ({ value: k.id, title: k.name }))" />
        <VSelect v-model="bag" label="Into" :items="[{ value: '', title: 'where each belongs' }, ...bags.map((b) => ({ value: b.id, title: b.name }))]" />
        <p class="quiet" role="status">{{ edits.length ? `${many(edits.length, 'item')} to load, with all pieces; absent gear stays out.` : 'Everything is in that kit already, or absent.' }}</p>
      </template>
      <div class="end">
        <VBtn @click="open = false">Cancel</VBtn>
        <VBtn color="primary" variant="flat" type="submit" :loading="busy" :disabled="!edits.length">Put them in</VBtn>
      </div>
    </form>
  </SheetDialog>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.end {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
</style>
