<script setup lang="ts">
/** Gear from a CSV or a spreadsheet: columns matched, every row looked at, nothing stored until it is asked for. */
import { computed, ref, watch } from 'vue'
import { useGearImport } from '@/composables/useGearImport'
import { useTypical } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { KIND } from '@/wording/kinds'
import { many } from '@/wording/parts'
import SheetDialog from '@/components/SheetDialog.vue'

const open = defineModel<boolean>({ required: true })
const units = useUnits()
/** Rows copied from a spreadsheet, when they come from there. */
const pasted = defineModel<string>('pasted', { default: '' })
const { file, preview, said, look, bring, take, match, mend } = useGearImport()
watch([open, pasted], () => {
  if (!open.value || !pasted.value) return
  take(new File([pasted.value], 'pasted.tsv'))
  pasted.value = ''
})
const typical = useTypical()
const KINDS = Object.entries(KIND).map(([value, title]) => ({ value, title }))
const likes = computed(() => (typical.value ?? []).map((t) => ({ value: t.id, title: t.name, subtitle: KIND[t.kind] })))
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!text.includes('\n')) return
  event.preventDefault()
  take(new File([text], text.includes('\t') ? 'pasted.tsv' : 'pasted.csv'))
}
const input = ref<HTMLInputElement | null>(null)
const FIELDS: Record<string, string> = { name: 'name', kind: 'kind', count: 'pieces', mass_g: 'mass', length_mm: 'length', width_mm: 'width', height_mm: 'height', diameter_mm: 'diameter', volume_l: 'litres', serial: 'serial', value: 'value', owner: 'owner', note: 'note' }
const bad = computed(() => (preview.value ? preview.value.total - preview.value.good : 0))
const busy = computed(() => look.isPending.value || bring.isPending.value)
function chosen(event: Event): void {
  const picked = (event.target as HTMLInputElement).files?.[0]
  ;(event.target as HTMLInputElement).value = ''
  if (picked) take(picked)
}
function kind(id: string): string {
  return KIND[id as keyof typeof KIND] ?? id
}
</script>

<template>
  <SheetDialog v-model="open" max-width="900" aria-label="Gear from a table">
    <div class="sheet">
      <h2>Gear from a table</h2>
      <p>CSV or XLSX with column titles, or rows pasted into <input class="paste" aria-label="Paste rows here" placeholder="paste here" @paste="paste" />. <button type="button" class="link" :disabled="busy" @click="input?.click()">{{ file ? 'Another file' : 'Choose a file' }}</button> <a class="link" href="/api/exchange/locker.csv">Export the locker as CSV</a> or <a class="link" href="/api/exchange/locker.xlsx">XLSX</a>.</p>
      <input ref="input" type="file" hidden accept=".csv,.tsv,.txt,.xlsx" aria-label="A table of gear" @change="chosen" />
      <p v-if="said" role="status">{{ said }}</p>
      <template v-if="preview">
        <h3>Columns</h3>
        <div class="match">
          <label v-for="(title, field) in FIELDS" :key="field"><span>{{ title }}</span><select :value="preview.matched[field] ?? ''" :disabled="busy" @change="match(field, ($event.target as HTMLSelectElement).value)"><option value="">not in the file</option><option v-for="c in preview.columns" :key="c" :value="c">{{ c }}</option></select></label>
        </div>
        <h3>{{ many(preview.good, 'row') }} good{{ bad ? `, ${bad} not` : '' }}</h3>
        <div class="rows">
          <table>
            <thead><tr><th>row</th><th>item</th><th>kind</th><th class="number">mass</th><th>missing figures from</th></tr></thead>
            <tbody>
              <tr v-for="r in preview.rows" :key="r.number" :class="{ wrong: r.problems.length }">
                <td>{{ r.number }}</td><td>{{ r.name }}</td>
                <td v-if="r.problems.length" class="pick"><VAutocomplete :items="KINDS" :model-value="r.kind in KIND ? r.kind : null" density="compact" hide-details :aria-label="`Kind of row ${r.number}`" :placeholder="r.kind || 'kind'" @update:model-value="$event && mend(r.number, 'kind', $event)" /></td>
                <td v-else>{{ kind(r.kind) }}</td><td class="number">{{ r.mass_g === null ? '' : fmt.mass(r.mass_g, units) }}</td>
                <td><template v-if="r.problems.length"><span v-for="p in r.problems" :key="p.column + p.rule">▲ {{ p.column }}{{ p.value ? ` “${p.value}”` : '' }}: {{ p.rule }} <input v-if="p.field in FIELDS && p.field !== 'kind'" :aria-label="`${p.column} of row ${r.number}`" :placeholder="p.value" @change="mend(r.number, p.field, ($event.target as HTMLInputElement).value)" /></span></template><span v-else-if="r.like" class="quiet">{{ r.like }}</span><VAutocomplete v-else :items="likes" :model-value="null" density="compact" hide-details placeholder="no typical item: pick one" :aria-label="`Like for row ${r.number} is like`" @update:model-value="$event && mend(r.number, 'like', $event)" /></td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="sheet-end">
          <VBtn @click="open = false">Close</VBtn>
          <VBtn v-if="bad && preview.good" variant="outlined" :disabled="busy" @click="bring.mutate(true)">Import the {{ preview.good }} good rows</VBtn>
          <VBtn v-if="!bad" color="primary" variant="flat" :disabled="busy || !preview.good" @click="bring.mutate(false)">Import all {{ preview.good }}</VBtn>
        </p>
      </template>
      <p v-else class="sheet-end"><VBtn @click="open = false">Close</VBtn></p>
    </div>
  </SheetDialog>
</template>

<style scoped>
.match {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 4px 16px;
}
label {
  display: grid;
  grid-template-columns: 64px 1fr;
  align-items: center;
}
select {
  min-width: 0;
}
.rows {
  max-height: 300px;
  overflow: auto;
}
.pick {
  min-width: 150px;
}
.paste {
  width: 90px;
}
.wrong {
  color: var(--rust);
}
h3 {
  margin-top: 10px;
}
p {
  margin: 4px 0;
}
</style>
