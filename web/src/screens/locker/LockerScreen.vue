<script setup lang="ts">
/** The locker: find, add, edit, weigh in. */
import { computed, nextTick, ref } from 'vue'
import { mdiPlus } from '@mdi/js'
import { asProblem } from '@/api/problem'
import type { Thing, ThingDoc } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import PlainFrame from '@/components/PlainFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useKeys } from '@/composables/useKeys'
import { useLocker } from '@/composables/useLocker'
import { notify } from '@/composables/useNotice'
import { useLockerHistory } from '@/composables/useLockerHistory'
import { useUnits } from '@/composables/useSession'
import { useUnsaved } from '@/composables/useUnsaved'
import * as fmt from '@/format/units'
import { GROUP_TABS, type Group, groupOf, KIND } from '@/wording/kinds'
import { many } from '@/wording/parts'
import AddGear from './AddGear.vue'
import ImportGear from './ImportGear.vue'
import { doubtful } from './likely'
import LockerTable from './LockerTable.vue'
import ManyPicked from './ManyPicked.vue'
import { matches } from './search'
import type { Sort } from './sorting'
import ThingEditor from './ThingEditor.vue'

const { things, loading, error, addTypical, weigh, change } = useLocker()
const units = useUnits()
const find = ref('')
const finder = ref<HTMLInputElement | null>(null)
const group = ref<Group | null>(null)
const weighing = ref(false)
const adding = ref(false)
const importing = ref(false)
const selected = ref<string | null>(null)
const fresh = ref<ThingDoc | null>(null)

const docs = computed(() => things.value ?? [])
const rows = computed(() => {
  const found = docs.value.filter((d) => (!group.value || groupOf(d.thing.kind) === group.value) && matches(d.thing, find.value))
  // What is picked to be weighed is weighed again.
  return weighing.value ? found.filter((d) => (picked.value.size ? picked.value.has(d.thing.id) : d.thing.mass_source !== 'measured')) : found
})
/** So many rows are shown at first; the finder, the headings and one button reach the rest. */
const AT_FIRST = 250
const all = ref(false)
const shown = computed(() => (all.value ? rows.value : rows.value.slice(0, AT_FIRST)))
const picked = ref(new Set<string>())
const sort = ref<Sort>(null)
const pickedDocs = computed(() => docs.value.filter((d) => picked.value.has(d.thing.id)))
const owners = computed(() => [...new Set(docs.value.map((d) => d.thing.owner).filter((o): o is string => Boolean(o)))].sort())
const doc = computed(() => fresh.value ?? docs.value.find((d) => d.thing.id === selected.value) ?? docs.value[0] ?? null)
const choices = computed(() => docs.value.map((d) => d.thing))
const total = computed(() => docs.value.reduce((sum, d) => sum + d.thing.mass_g * (d.thing.count ?? 1), 0))
const unweighed = computed(() => docs.value.filter((d) => d.thing.mass_source !== 'measured').length)

const said = ref('')
async function take(typical: string): Promise<boolean> {
  try {
    const added = await addTypical.mutateAsync({ typical, count: 1 })
    choose(added.thing.id)
    said.value = `${added.thing.name} is in the locker. The next one?`
    return true
  } catch (problem) {
    notify(problem as Error)
    return false
  }
}
async function takeList(things: Thing[]): Promise<boolean> {
  try {
    const put = things.map((thing) => ({ version: 0, thing: { ...thing, id: 'new' } }))
    const added = await change.mutateAsync({ put, remove: [], says: `${many(things.length, 'item')} added` })
    said.value = `${many(added.length, 'item')} came into the locker.`
    const first = added[0]
    if (first) choose(first.thing.id)
    return true
  } catch (problem) {
    notify(problem as Error)
    return false
  }
}
const pastedTable = ref('')
function fromTable(text: string): void {
  adding.value = false
  pastedTable.value = text
  importing.value = true
}
function blank(template: Thing): void {
  adding.value = false
  fresh.value = { version: 0, thing: template }
}
function choose(id: string): void {
  fresh.value = null
  selected.value = id
}
const editor = ref<InstanceType<typeof ThingEditor> | null>(null)
const { asking: leaving, before, drop } = useUnsaved(() => !weighing.value && Boolean(editor.value?.unsaved()))
const onScale = ref<Record<string, number | null | undefined>>({})
const odd = ref<ThingDoc | null>(null)
async function weighed(one: ThingDoc, sure = false): Promise<void> {
  const grams = onScale.value[one.thing.id]
  if (typeof grams !== 'number') return
  if (!sure && doubtful({ ...one.thing, mass_g: grams })) return void (odd.value = one)
  const next = rows.value[rows.value.indexOf(one) + 1]?.thing.id
  try {
    await weigh.mutateAsync({ id: one.thing.id, version: one.version, mass_g: grams })
    await nextTick()
    if (next) document.querySelector<HTMLInputElement>(`[data-weigh="${next}"] input`)?.focus()
  } catch (problem) {
    notify(problem as Error)
  }
}
const history = useLockerHistory(
  () => docs.value,
  (wish) => change.mutateAsync(wish),
)
function move(way: 'undo' | 'redo'): void {
  before(() => {
    history[way]().then((says) => says && notify(`${way === 'undo' ? 'Undone' : 'Redone'}: ${says}.`), notify)
  })
}
useKeys([
  { key: '/', does: 'Find gear', run: () => finder.value?.focus() },
  { key: 'a', does: 'Add gear', run: () => before(() => (adding.value = true)) },
  { key: 'ctrl+z', does: 'Undo', run: () => move('undo') },
  { key: 'ctrl+shift+z', does: 'Redo', run: () => move('redo') },
])
</script>

<template>
  <PlainFrame>
    <div class="screen grid stacks">
      <section class="list" aria-label="Gear">
        <header class="top">
          <h1>Locker</h1>
          <span class="quiet">{{ docs.length }} items, {{ fmt.load(total, units) }} in all; {{ unweighed }} never weighed</span>
          <span class="grow" />
          <button type="button" class="link" :disabled="!history.last.value" :title="history.last.value ? `Undo: ${history.last.value} (Ctrl+Z)` : 'Nothing to undo'" @click="move('undo')">undo</button>
          <button type="button" class="link" :disabled="!history.next.value" title="Redo (Ctrl+Shift+Z)" @click="move('redo')">redo</button>
          <VBtn :variant="weighing ? 'flat' : 'outlined'" :color="weighing ? 'primary' : undefined" :aria-pressed="weighing" @click="weighing = !weighing">{{ weighing ? 'Done weighing' : 'Weigh in' }}</VBtn>
          <VBtn variant="outlined" @click="importing = true">From a table</VBtn>
          <VBtn color="primary" variant="flat" :prepend-icon="mdiPlus" @click="before(() => ((said = ''), (adding = true)))">Add gear</VBtn>
        </header>
        <div class="tools">
          <input ref="finder" v-model="find" type="search" class="find" placeholder="find /" aria-label="Find gear" />
          <TabRow v-model="group" label="Show" :tabs="GROUP_TABS" />
        </div>
        <ManyPicked v-if="pickedDocs.length" :docs="pickedDocs" :owners="owners" @weigh="weighing = true" @clear="picked = new Set()" />
        <div class="rows">
          <p v-if="error" role="alert">{{ asProblem(error).title }}</p>
          <p v-else-if="loading" class="quiet" role="status">Opening the Locker…</p>
          <p v-else-if="docs.length === 0" class="empty">Your locker is empty. Add your first item: press “Add gear”, type “45 MP” or “24-70” and press Enter.</p>
          <p v-else-if="rows.length === 0" class="empty">{{ weighing ? 'Everything shown here has been weighed.' : 'No item by that name.' }}</p>
          <LockerTable v-else v-model:picked="picked" v-model:sort="sort" v-model:on-scale="onScale" :rows="shown" :chosen="doc?.thing.id" :weighing="weighing" @choose="before(() => choose($event))" @weighed="weighed" />
          <p v-if="!all && rows.length > AT_FIRST"><button type="button" class="link" @click="all = true">Show {{ rows.length - AT_FIRST }} more items</button></p>
          <p v-if="weighing && rows.length" class="label">Put one on the scale, type the reading and press Enter. It then counts as weighed.</p>
        </div>
      </section>
      <aside class="side" aria-label="Chosen item">
        <ThingEditor v-if="doc" ref="editor" :key="doc.thing.id" :doc="doc" :fresh="Boolean(fresh)" :choices="choices" @done="choose" @gone="selected = null" @cancel="fresh = null" />
        <p v-else class="quiet">Pick an item to see and change it.</p>
      </aside>
      <AskFirst v-model="leaving" title="This item has unsaved changes" text="Stay and save them, or leave and lose them." yes="Leave and lose it" no="Stay" @yes="drop" />
      <AskFirst :model-value="odd !== null" :title="odd ? `${fmt.mass(onScale[odd.thing.id] ?? 0, units)} for a ${KIND[odd.thing.kind]}?` : ''" text="Gear like this weighs far from that. If your scale says so, keep it." yes="It is right" no="Let me look" @yes="odd && weighed(odd, true)" @update:model-value="odd = null" />
      <AddGear v-model="adding" :said="said" :busy="change.isPending.value" :add="take" :add-list="takeList" @blank="blank" @table="fromTable" />
      <ImportGear v-model="importing" v-model:pasted="pastedTable" />
    </div>
  </PlainFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  gap: 26px;
  overflow: hidden;
}
.list,
.side {
  min-height: 0;
}
.list {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.side {
  overflow: auto;
  padding: 6px 4px 6px 22px;
  border-left: 1px solid var(--line);
}
.top,
.tools {
  display: flex;
  align-items: center;
  gap: 14px;
}
.grow {
  flex: 1;
}
@media (max-width: 1000px) {
  .top,
  .tools {
    flex-wrap: wrap;
  }
  .rows {
    max-height: 60vh;
  }
}
.find {
  width: 150px;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--corner);
  padding: 3px 8px;
}
.rows {
  overflow: auto;
  min-height: 0;
  flex: 1;
}
.empty {
  padding: 20px 0;
}
</style>
