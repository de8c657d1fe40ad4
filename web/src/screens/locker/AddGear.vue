<script setup lang="ts">
/** Adding gear: type a few letters, press Enter. */
import { computed, ref, watch } from 'vue'
import type { Kind, Thing } from '@/api/types'
import { useTypical } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { GROUP_TABS, type Group, groupOf, KIND } from '@/wording/kinds'
import { matches } from './search'
import TabRow from '@/components/TabRow.vue'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ add: [typical: string]; blank: [template: Thing] }>()
const typical = useTypical()
const units = useUnits()
const find = ref('')
const group = ref<Group | null>(null)
const at = ref(0)
watch([open, find, group], () => (at.value = 0))
watch(open, () => (find.value = ''))

const hits = computed(() => (typical.value ?? []).filter((t) => (!group.value || groupOf(t.kind) === group.value) && matches(t, find.value)))
const SHOWN = 80
const shown = computed(() => hits.value.slice(0, SHOWN))
const kinds = Object.entries(KIND).map(([value, title]) => ({ value: value as Kind, title }))

function step(by: number): void {
  at.value = Math.min(Math.max(0, at.value + by), shown.value.length - 1)
  document.querySelector(`[data-hit="${at.value}"]`)?.scrollIntoView({ block: 'nearest' })
}
/** Enter pressed before the table arrived: the first hit is taken as soon as it has. */
const eager = ref(false)
function take(): void {
  const hit = shown.value[at.value]
  eager.value = !typical.value
  if (hit) emit('add', hit.id)
}
watch(typical, () => {
  if (eager.value) take()
})
/** A thing that the table does not list: the first typical one of its kind lends the fields. */
function blank(kind: Kind): void {
  const template = typical.value?.find((t) => t.kind === kind)
  if (template) emit('blank', { ...template, id: 'new', name: '', mass_source: 'stated', size_source: 'stated', note: '' } as Thing)
}
</script>

<template>
  <VDialog v-model="open" max-width="720" aria-label="Add gear">
    <div class="sheet add">
      <h2>Add gear <span class="quiet">typical things without a make; change name and figures to your own afterwards</span></h2>
      <VTextField
        v-model="find"
        label="Find: 24-70, SD 128, polariser 77, tripod…"
        autofocus
        autocomplete="off"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="take"
      />
      <TabRow v-model="group" label="Show" :tabs="GROUP_TABS" />
      <ul class="hits" aria-label="Typical gear">
        <li v-for="(hit, index) in shown" :key="hit.id">
          <button type="button" class="plain hit" :class="{ at: index === at }" :data-hit="index" @click="emit('add', hit.id)">
            <span>{{ hit.name }}</span>
            <span class="label">{{ KIND[hit.kind] }}</span>
            <span class="figure">≈ {{ fmt.mass(hit.mass_g, units) }}</span>
          </button>
        </li>
        <li v-if="hits.length > SHOWN" class="label">and {{ hits.length - SHOWN }} more: type a few letters</li>
        <li v-if="hits.length === 0">Nothing typical by that name. Start one from its kind below.</li>
      </ul>
      <VSelect :items="kinds" label="Not in the table? Start from a kind" :model-value="null" @update:model-value="$event && blank($event)" />
    </div>
  </VDialog>
</template>

<style scoped>
.add {
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow: hidden;
}
.hits {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  min-height: 240px;
  max-height: 46vh;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
.hit {
  display: grid;
  grid-template-columns: 1fr 150px 80px;
  width: 100%;
  padding: 4px 8px;
}
.hit .figure {
  text-align: right;
}
.hit:hover,
.hit.at {
  background: var(--paper);
}
.hit.at {
  box-shadow: inset 3px 0 0 var(--saddle);
}
</style>
