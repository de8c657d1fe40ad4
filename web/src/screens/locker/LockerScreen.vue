<script setup lang="ts">
/** The locker: find, add, edit, weigh in. */
import { computed, nextTick, ref } from 'vue'
import { mdiPlus } from '@mdi/js'
import { asProblem } from '@/api/problem'
import type { Thing, ThingDoc } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import AskFirst from '@/components/AskFirst.vue'
import PlainFrame from '@/components/PlainFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useKeys } from '@/composables/useKeys'
import { useLocker } from '@/composables/useLocker'
import { notify } from '@/composables/useNotice'
import { useUnits } from '@/composables/useSession'
import { useUnsaved } from '@/composables/useUnsaved'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { ABSENCE, GROUP, GROUP_TABS, type Group, groupOf, GROUPS, KIND, SOURCE } from '@/wording/kinds'
import AddGear from './AddGear.vue'
import ImportGear from './ImportGear.vue'
import { doubtful } from './likely'
import { matches } from './search'
import ThingDrawing from './ThingDrawing.vue'
import ThingEditor from './ThingEditor.vue'

const { things, loading, error, addTypical, save, weigh } = useLocker()
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
  return weighing.value ? found.filter((d) => d.thing.mass_source !== 'measured') : found
})
/** So many rows are shown at first; the finder, the headings and one button reach the rest. */
const AT_FIRST = 250
const all = ref(false)
const groups = computed(() => {
  const shown = all.value ? rows.value : rows.value.slice(0, AT_FIRST)
  return GROUPS.map((g) => ({ group: g, rows: shown.filter((d) => groupOf(d.thing.kind) === g) })).filter((g) => g.rows.length)
})
const doc = computed(() => fresh.value ?? docs.value.find((d) => d.thing.id === selected.value) ?? docs.value[0] ?? null)
const choices = computed(() => docs.value.map((d) => d.thing))
const total = computed(() => docs.value.reduce((sum, d) => sum + d.thing.mass_g * (d.thing.count ?? 1), 0))
const unweighed = computed(() => docs.value.filter((d) => d.thing.mass_source !== 'measured').length)

function size(thing: Thing): string {
  const s = thing.size
  if (s.shape === 'soft') return `soft, ${fmt.volume(s.volume_l, units.value)}`
  return s.shape === 'box' ? fmt.sides([s.length_mm, s.width_mm, s.height_mm], units.value) : `Ø ${fmt.sides([s.diameter_mm, s.length_mm], units.value)}`
}
async function take(typical: string): Promise<void> {
  try {
    const added = await addTypical.mutateAsync({ typical, count: 1 })
    adding.value = false
    choose(added.thing.id)
    notify(`${added.thing.name} is in the locker. Give it your own name and figures, or leave it typical.`)
  } catch (problem) {
    notify(problem as Error)
  }
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
/** The last weighing: what it was before, so that it can be taken back. */
const lastWeighed = ref<{ id: string; name: string; mass_g: number; mass_source: Thing['mass_source'] } | null>(null)
const odd = ref<ThingDoc | null>(null)
async function weighed(one: ThingDoc, sure = false): Promise<void> {
  const grams = onScale.value[one.thing.id]
  if (typeof grams !== 'number') return
  if (!sure && doubtful({ ...one.thing, mass_g: grams })) return void (odd.value = one)
  const next = rows.value[rows.value.indexOf(one) + 1]?.thing.id
  try {
    await weigh.mutateAsync({ id: one.thing.id, version: one.version, mass_g: grams })
    lastWeighed.value = { id: one.thing.id, name: one.thing.name, mass_g: one.thing.mass_g, mass_source: one.thing.mass_source }
    await nextTick()
    if (next) document.querySelector<HTMLInputElement>(`[data-weigh="${next}"] input`)?.focus()
  } catch (problem) {
    notify(problem as Error)
  }
}
async function unweigh(): Promise<void> {
  const was = lastWeighed.value
  const now = docs.value.find((d) => d.thing.id === was?.id)
  if (!was || !now) return
  try {
    await save.mutateAsync({ version: now.version, thing: { ...now.thing, mass_g: was.mass_g, mass_source: was.mass_source } })
    lastWeighed.value = null
    notify(`${was.name} is back at ${fmt.mass(was.mass_g, units.value)}.`)
  } catch (problem) {
    notify(problem as Error)
  }
}
useKeys([
  { key: '/', does: 'Find gear', run: () => finder.value?.focus() },
  { key: 'a', does: 'Add gear', run: () => before(() => (adding.value = true)) },
])
</script>

<template>
  <PlainFrame>
    <div class="screen grid stacks">
      <section class="list" aria-label="Gear">
        <header class="top">
          <h1>Locker</h1>
          <span class="quiet">{{ docs.length }} things, {{ fmt.load(total, units) }} in all; {{ unweighed }} never weighed</span>
          <span class="grow" />
          <VBtn :variant="weighing ? 'flat' : 'outlined'" :color="weighing ? 'primary' : undefined" :aria-pressed="weighing" @click="weighing = !weighing">{{ weighing ? 'Done weighing' : 'Weigh in' }}</VBtn>
          <VBtn variant="outlined" @click="importing = true">From a table</VBtn>
          <VBtn color="primary" variant="flat" :prepend-icon="mdiPlus" @click="before(() => (adding = true))">Add gear</VBtn>
        </header>
        <div class="tools">
          <input ref="finder" v-model="find" type="search" class="find" placeholder="find  /" aria-label="Find gear" />
          <TabRow v-model="group" label="Show" :tabs="GROUP_TABS" />
        </div>
        <div class="rows">
          <p v-if="error" role="alert">{{ asProblem(error).title }}</p>
          <p v-else-if="loading" class="quiet" role="status">Opening the locker…</p>
          <p v-else-if="docs.length === 0" class="empty">The locker is empty. Add the first thing: type “45 MP” or “24-70” and press Enter.</p>
          <p v-else-if="rows.length === 0" class="empty">{{ weighing ? 'Everything shown here has been on the scale.' : 'Nothing here by that name.' }}</p>
          <table v-else>
            <thead>
              <tr>
                <th class="pic"><span class="visually-hidden">drawing</span></th><th>thing</th><th>kind</th><th class="number">pieces</th><th class="number">one weighs</th><th>{{ weighing ? 'on the scale' : 'figure is' }}</th><th class="number">size</th><th>now</th>
              </tr>
            </thead>
            <tbody v-for="g in groups" :key="g.group">
              <tr class="group"><th colspan="8" scope="rowgroup">{{ GROUP[g.group] }}</th></tr>
              <tr v-for="d in g.rows" :key="d.thing.id" class="row" :class="{ chosen: d.thing.id === doc?.thing.id }" @click="before(() => choose(d.thing.id))">
                <td class="pic"><ThingDrawing :thing="d.thing" /></td>
                <td><button type="button" class="plain" @click.stop="before(() => choose(d.thing.id))">{{ d.thing.name }}</button></td>
                <td class="label">{{ KIND[d.thing.kind] }}</td>
                <td class="number">{{ d.thing.count }}</td>
                <td class="number">{{ d.thing.mass_source === 'typical' ? '≈ ' : '' }}{{ fmt.mass(d.thing.mass_g, units) }}</td>
                <td class="label scale" :data-weigh="d.thing.id">
                  <NumberField v-if="weighing" v-model="onScale[d.thing.id]" :label="`Mass of ${d.thing.name}`" quantity="mass" hide-label @click.stop @keydown.enter="weighed(d)" />
                  <template v-else>{{ SOURCE[d.thing.mass_source ?? 'stated'] }}</template>
                </td>
                <td class="number">{{ size(d.thing) }}</td>
                <td class="label">{{ d.thing.absent ? `${ABSENCE[d.thing.absent.reason]}${d.thing.absent.until ? `, ${day(d.thing.absent.until)}` : ''}` : 'here' }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="!all && rows.length > AT_FIRST"><button type="button" class="link" @click="all = true">Show {{ rows.length - AT_FIRST }} more things</button></p>
          <p v-if="weighing && lastWeighed" role="status">{{ lastWeighed.name }} is weighed. <button type="button" class="link" @click="unweigh">Undo</button></p>
          <p v-if="weighing && rows.length" class="label">Put one piece on the scale, type what it says, press Enter: the figure is weighed from then on.</p>
        </div>
      </section>
      <aside class="side" aria-label="The thing chosen">
        <ThingEditor v-if="doc" ref="editor" :key="doc.thing.id" :doc="doc" :fresh="Boolean(fresh)" :choices="choices" @done="choose" @gone="selected = null" @cancel="fresh = null" />
        <p v-else class="quiet">Choose a thing to see and change it.</p>
      </aside>
      <AskFirst v-model="leaving" title="This thing has changes that are not saved" text="Stay and save them, or leave and lose what you typed." yes="Leave and lose it" no="Stay" @yes="drop" />
      <AskFirst :model-value="odd !== null" :title="odd ? `${fmt.mass(onScale[odd.thing.id] ?? 0, units)} for a ${KIND[odd.thing.kind]}?` : ''" text="That is far from what such things weigh. If the scale says so, keep it." yes="It is right" no="Let me look" @yes="odd && weighed(odd, true)" @update:model-value="odd = null" />
      <AddGear v-model="adding" @add="take" @blank="blank" />
      <ImportGear v-model="importing" />
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
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
.group th {
  color: var(--ink);
  font-weight: 700;
  font-size: var(--text);
  padding-top: 10px;
  border-bottom-color: var(--ink);
}
.pic {
  width: 36px;
}
td {
  padding-top: 3px;
  padding-bottom: 3px;
}
.row {
  cursor: pointer;
}
.row:hover td,
.chosen td {
  background: var(--sheet);
}
.chosen td:first-child {
  box-shadow: inset 3px 0 0 var(--saddle);
}
.scale {
  width: 104px;
}
.empty {
  padding: 20px 0;
}
</style>
