<script setup lang="ts">
/** The form of one thing. What was typed stays until it is saved or thrown away. */
import { computed, ref } from 'vue'
import type { Size, Thing, ThingDoc } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import NumberField from '@/components/NumberField.vue'
import { useDocumentForm } from '@/composables/useDocumentForm'
import { useLocker } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { ABSENCE, KIND } from '@/wording/kinds'
import BagInside from './BagInside.vue'
import PicturePart from './PicturePart.vue'
import { fieldsOf, NEEDS, read, write } from './fields'
import { doubtful } from './likely'
import ThingField from './ThingField.vue'

const props = defineProps<{ doc: ThingDoc; fresh: boolean; choices: Pick<Thing, 'id' | 'name' | 'kind'>[] }>()
const emit = defineEmits<{ done: [id: string]; gone: []; cancel: [] }>()
const { add, save, remove } = useLocker()
const units = useUnits()

const SIZES = ['length_mm', 'width_mm', 'height_mm', 'diameter_mm', 'volume_l'].map((side) => `size.${side}`)
const COMMON = ['name', 'count', 'mass_g', 'note', 'serial', 'value', 'owner', 'charging_plug', 'return_by', ...SIZES]
const { draft, dirty, blocked, errors, rest, revert, store, unsaved } = useDocumentForm<Thing>({
  stored: () => ({ version: props.doc.version, value: props.doc.thing }),
  fresh: () => props.fresh,
  store: async (thing, version) => (await (props.fresh ? add.mutateAsync(thing) : save.mutateAsync({ version, thing }))).thing.id,
  shows: (field: string): boolean => COMMON.includes(field) || /^(inner|compartments)\./.test(field) || fieldsOf(draft.value).some((f) => f.path === field),
  verbs: [add, save, remove],
})
const deleting = ref(false)

const SHAPES = [
  { title: 'Box', value: 'box' },
  { title: 'Cylinder', value: 'cylinder' },
  { title: 'Soft', value: 'soft' },
]
function shape(next: Size['shape']): void {
  const sizes: Record<string, Size> = {
    box: { shape: 'box', length_mm: 100, width_mm: 80, height_mm: 60 },
    cylinder: { shape: 'cylinder', diameter_mm: 70, length_mm: 100 },
    soft: { shape: 'soft', volume_l: 1 },
  }
  const size = sizes[next]
  if (size) draft.value = { ...draft.value, size }
}
function set(path: string, value: unknown): void {
  const changed = write(draft.value, path, value)
  // A figure typed by hand is stated, whatever it was before.
  if (path === 'mass_g' && changed.mass_source !== 'measured') draft.value = { ...changed, mass_source: 'stated' }
  else if (path.startsWith('size.')) draft.value = { ...changed, size_source: 'stated' }
  else draft.value = changed
}
function away(reason: string | null): void {
  draft.value = write(draft.value, 'absent', reason ? { reason, until: draft.value.absent?.until ?? null } : null)
}
const rare = computed(() => fieldsOf(draft.value).filter((f) => f.rare))
/** Open from the start where something of it is told. */
const told = Boolean(props.doc.thing.needs?.length || props.doc.thing.charging_plug) || fieldsOf(props.doc.thing).some((f) => f.rare && Boolean(read(props.doc.thing, f.path)) && f.path !== 'cells')
const REASONS = [{ title: 'here', value: null }, ...Object.entries(ABSENCE).map(([value, title]) => ({ title, value }))]

const STANDING = [
  { title: 'mine', value: 'owned' },
  { title: 'could be rented', value: 'can-rent' },
  { title: 'could be borrowed', value: 'can-borrow' },
]

const doubt = ref<'light' | 'heavy' | null>(null)
/** The mass that somebody said is right, however odd. */
let sure: number | null = null
async function submit(): Promise<void> {
  const odd = draft.value.mass_g === sure || draft.value.mass_g === props.doc.thing.mass_g ? null : doubtful(draft.value)
  if (odd && !blocked.value) return void (doubt.value = odd)
  const id = await store()
  if (id) emit('done', id)
}
function keepOdd(): void {
  sure = draft.value.mass_g
  void submit()
}
defineExpose({ unsaved })
async function takeOut(): Promise<void> {
  await remove.mutateAsync(props.doc.thing.id).then(
    () => emit('gone'),
    () => undefined,
  )
}
</script>

<template>
  <form class="editor" @submit.prevent="submit">
    <h2>{{ KIND[draft.kind] }}<span class="quiet"> {{ fresh ? 'new' : '' }}</span></h2>
    <VTextField :model-value="draft.name" label="Name" maxlength="80" :error-messages="errors.name" @update:model-value="set('name', String($event ?? ''))" />
    <PicturePart :thing="draft" @change="set('picture', $event)" />
    <div class="three">
      <NumberField :model-value="draft.count" label="Pieces" :error="errors.count" required @update:model-value="set('count', $event)" />
      <NumberField :model-value="draft.mass_g" label="Mass of one" quantity="mass" :error="errors.mass_g" required @update:model-value="set('mass_g', $event)" />
      <VSelect :model-value="draft.mass_source" :items="['measured', 'stated', 'typical']" label="Mass figure" @update:model-value="set('mass_source', $event)" />
    </div>
    <div class="four">
      <VSelect :model-value="draft.size.shape" :items="SHAPES" label="Shape" @update:model-value="shape($event)" />
      <template v-if="draft.size.shape === 'box'">
        <NumberField :model-value="draft.size.length_mm" label="Length" quantity="thing" :error="errors['size.length_mm']" required @update:model-value="set('size.length_mm', $event)" />
        <NumberField :model-value="draft.size.width_mm" label="Width" quantity="thing" :error="errors['size.width_mm']" required @update:model-value="set('size.width_mm', $event)" />
        <NumberField :model-value="draft.size.height_mm" label="Height" quantity="thing" :error="errors['size.height_mm']" required @update:model-value="set('size.height_mm', $event)" />
      </template>
      <template v-else-if="draft.size.shape === 'cylinder'">
        <NumberField :model-value="draft.size.diameter_mm" label="Diameter" quantity="thing" :error="errors['size.diameter_mm']" required @update:model-value="set('size.diameter_mm', $event)" />
        <NumberField :model-value="draft.size.length_mm" label="Length" quantity="thing" :error="errors['size.length_mm']" required @update:model-value="set('size.length_mm', $event)" />
      </template>
      <NumberField v-else :model-value="draft.size.volume_l" label="Volume" quantity="volume" :error="errors['size.volume_l']" required @update:model-value="set('size.volume_l', $event)" />
    </div>
    <div class="fields">
      <ThingField v-for="field in fieldsOf(draft).filter((f) => !f.rare)" :key="field.path" v-model="draft" :field="field" :choices="choices" :error="errors[field.path]" />
    </div>
    <details :open="told">
      <summary>{{ draft.kind === 'bag' ? 'Straps, fit and needs' : 'Needs, power and consumables' }}</summary>
      <div class="fields more">
        <ThingField v-model="draft" :field="NEEDS" :choices="choices" :error="errors.needs" />
        <VTextField :model-value="draft.charging_plug ?? ''" label="Charging plug (USB-C, …)" maxlength="40" :error-messages="errors.charging_plug" @update:model-value="set('charging_plug', String($event ?? '') || null)" />
        <ThingField v-for="field in rare" :key="field.path" v-model="draft" :field="field" :choices="choices" :error="errors[field.path]" />
      </div>
    </details>
    <BagInside v-if="draft.kind === 'bag' || draft.kind === 'insert'" :model-value="draft" :errors="errors" @update:model-value="draft = $event" />
    <div class="three">
      <VSelect :model-value="draft.absent?.reason ?? null" :items="REASONS" label="Where it is" @update:model-value="away($event)" />
      <VTextField v-if="draft.absent" :model-value="draft.absent.until" type="date" label="Back by" @update:model-value="set('absent.until', $event || null)" />
      <VSelect :model-value="draft.standing ?? 'owned'" :items="STANDING" label="Ownership" @update:model-value="set('standing', $event)" />
      <VTextField v-if="draft.standing !== 'owned' || draft.return_by || draft.absent?.reason === 'hired-later'" :model-value="draft.return_by ?? ''" type="date" label="Return by" :error-messages="errors.return_by" @update:model-value="set('return_by', $event || null)" />
      <VCheckbox :model-value="draft.backup ?? false" label="Deliberate backup" @update:model-value="set('backup', Boolean($event))" />
      <VCheckbox :model-value="draft.for_other ?? false" label="Carried for somebody else" @update:model-value="set('for_other', Boolean($event))" />
    </div>
    <div class="three">
      <VTextField :model-value="draft.serial" label="Serial number" maxlength="80" :error-messages="errors.serial" @update:model-value="set('serial', String($event ?? ''))" />
      <NumberField :model-value="draft.value ?? null" label="Value of one" :error="errors.value" @update:model-value="set('value', $event ?? null)" />
      <VTextField :model-value="draft.owner" label="Owner" maxlength="80" :error-messages="errors.owner" @update:model-value="set('owner', String($event ?? ''))" />
    </div>
    <VTextarea :model-value="draft.note" label="Note" rows="2" maxlength="2000" :error-messages="errors.note" @update:model-value="set('note', String($event ?? ''))" />
    <div v-if="blocked" class="wrong" role="alert">A marked field is not a number. Correct it to save.</div>
    <div v-if="rest" class="wrong" role="alert">{{ rest }}</div>
    <div class="row">
      <VBtn v-if="!fresh" variant="text" color="error" @click="deleting = true">Remove</VBtn>
      <span class="grow" />
      <VBtn v-if="dirty" variant="text" @click="fresh ? emit('cancel') : revert()">{{ fresh ? 'Cancel' : 'Discard changes' }}</VBtn>
      <VBtn color="primary" variant="flat" type="submit" :disabled="!dirty || blocked" :loading="save.isPending.value || add.isPending.value">{{ fresh ? 'Add to locker' : 'Save' }}</VBtn>
    </div>
    <AskFirst :model-value="doubt !== null" :title="`${fmt.mass(draft.mass_g, units)} for a ${KIND[draft.kind].toLowerCase()}?`" :text="`That is very ${doubt ?? ''} for one. Check grams against kilograms; if your scale says so, keep it.`" yes="It is right" no="Let me look" @yes="keepOdd" @update:model-value="doubt = null" />
    <AskFirst v-model="deleting" title="Remove from the locker" :text="`${doc.thing.name} is removed for good, from past trips as well.`" yes="Remove it" @yes="takeOut" />
  </form>
</template>

<style scoped>
.editor {
  display: flex;
  flex-direction: column;
  gap: 11px;
}
.three,
.four,
.fields {
  display: grid;
  gap: 10px;
}
.three {
  grid-template-columns: repeat(3, 1fr);
}
.four {
  grid-template-columns: repeat(4, 1fr);
}
.fields {
  grid-template-columns: 1fr 1fr;
  padding: 10px 0;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
.more {
  border: 0;
  align-items: start;
}
summary {
  cursor: pointer;
}
.row {
  display: flex;
  gap: 8px;
}
.grow {
  flex: 1;
}
.wrong {
  color: var(--rust);
}
</style>
