<script setup lang="ts">
/** Adding gear: type a few letters and press Enter, or a whole list; the field stays for the next. */
import { computed, ref, watch } from 'vue'
import type { Kind, Thing } from '@/api/types'
import { useTypical } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { GROUP_TABS, type Group, groupOf, KIND } from '@/wording/kinds'
import TabRow from '@/components/TabRow.vue'
import GearList from './GearList.vue'
import { looksLikeList, looksLikeTable, matches } from './search'
import SheetDialog from '@/components/SheetDialog.vue'

const open = defineModel<boolean>({ required: true })
/** What was added last, to be told beside the field. */
const props = defineProps<{ said: string; busy: boolean; add: (typical: string) => Promise<boolean>; addList: (things: Thing[]) => Promise<boolean> }>()
const emit = defineEmits<{ blank: [template: Thing]; table: [text: string] }>()
const typical = useTypical()
const units = useUnits()
const find = ref('')
const group = ref<Group | null>(null)
const at = ref(0)
watch([open, find, group], () => (at.value = 0))
watch(open, () => (find.value = ''))

const hits = computed(() => (typical.value ?? []).filter((t) => (!group.value || groupOf(t.kind) === group.value) && matches(t, find.value)))
/** Several things, or one that is not in the table as it is written. */
const list = computed(() => Boolean(find.value.trim()) && (looksLikeList(find.value) || (typical.value !== undefined && hits.value.length === 0 && !group.value)))
const SHOWN = 80
const shown = computed(() => hits.value.slice(0, SHOWN))
const kinds = Object.entries(KIND).map(([value, title]) => ({ value: value as Kind, title }))
const told = ref<InstanceType<typeof GearList> | null>(null)

function step(by: number, event: KeyboardEvent): void {
  if (list.value) return
  event.preventDefault()
  at.value = Math.min(Math.max(0, at.value + by), shown.value.length - 1)
  document.querySelector(`[data-hit="${at.value}"]`)?.scrollIntoView({ block: 'nearest' })
}
/** Enter pressed before the table arrived: the first hit is taken as soon as it has. */
const eager = ref(false)
function take(): void {
  if (list.value) return void told.value?.take()
  const hit = shown.value[at.value]
  eager.value = !typical.value
  if (hit) void pick(hit.id)
}
async function pick(id: string): Promise<void> {
  const typed = find.value
  if ((await props.add(id)) && find.value === typed) find.value = ''
}
/** What was not understood stays in the field. */
async function addAll(things: Thing[], rest: string): Promise<void> {
  const typed = find.value
  if ((await props.addList(things)) && find.value === typed) find.value = rest
}
watch(typical, () => {
  if (eager.value) take()
})
/** A thing that the table does not list: the first typical one of its kind lends the fields. */
function blank(kind: Kind): void {
  const template = typical.value?.find((t) => t.kind === kind)
  if (template) emit('blank', { ...template, id: 'new', name: '', mass_source: 'stated', size_source: 'stated', note: '' } as Thing)
}
function pasted(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!looksLikeTable(text)) return
  event.preventDefault()
  emit('table', text)
}
</script>

<template>
  <SheetDialog v-model="open" max-width="760" aria-label="Add gear">
    <div class="sheet add">
      <h2>Add gear <span class="quiet">typical gear, no makes; put in your own name and figures afterwards</span></h2>
      <VTextarea
        v-model="find"
        label="Search (24-70, SD 128, tripod…) or list: 2 bodies 24 mp, 4 batteries, sd 128 x4"
        autofocus
        auto-grow
        rows="1"
        max-rows="8"
        autocomplete="off"
        spellcheck="false"
        hide-details
        @keydown.down="step(1, $event)"
        @keydown.up="step(-1, $event)"
        @keydown.enter.exact.prevent="take"
        @keydown.ctrl.enter.prevent="take"
        @paste="pasted"
      />
      <p class="said" role="status">{{ said || 'Enter adds, Shift+Enter starts a new line. You can paste a list from a message or a table from a spreadsheet.' }}</p>
      <GearList v-if="list" ref="told" :text="find" :busy="busy" @add="addAll" />
      <template v-else>
        <TabRow v-model="group" label="Show" :tabs="GROUP_TABS" />
        <ul class="hits" aria-label="Typical gear">
          <li v-for="(hit, index) in shown" :key="hit.id">
            <button type="button" class="plain hit" :class="{ at: index === at }" :data-hit="index" @click="pick(hit.id)">
              <span>{{ hit.name }}</span>
              <span class="label">{{ KIND[hit.kind] }}</span>
              <span class="figure">≈ {{ fmt.mass(hit.mass_g, units) }}</span>
            </button>
          </li>
          <li v-if="hits.length > SHOWN" class="label">and {{ hits.length - SHOWN }} more: type a few letters</li>
          <li v-if="hits.length === 0">Nothing by that name. Start from its kind below.</li>
        </ul>
      </template>
      <div class="end">
        <VSelect :items="kinds" label="Not in the table? Start from a kind" :model-value="null" hide-details @update:model-value="$event && blank($event)" />
        <VBtn @click="open = false">Done</VBtn>
      </div>
    </div>
  </SheetDialog>
</template>

<style scoped>
.add {
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: hidden;
}
.said {
  margin: 0;
  color: var(--quiet);
  font-size: var(--text-small);
}
.hits {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  min-height: 220px;
  max-height: 44vh;
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
.end {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
