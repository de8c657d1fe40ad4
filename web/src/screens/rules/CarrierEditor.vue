<script setup lang="ts">
/** The form of one carrier. */
import { computed, ref } from 'vue'
import type { Carrier, CarrierDoc, PieceKind } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import NumberField from '@/components/NumberField.vue'
import { useCarriers } from '@/composables/useCarriers'
import { useDocumentForm } from '@/composables/useDocumentForm'
import { PIECE } from '@/wording/kinds'
import RestrictedRules from './RestrictedRules.vue'
import { PIECES, ruleFor, ruleIndex, withRule, withSide } from './carrier-form'

const props = defineProps<{ doc: CarrierDoc; fresh: boolean }>()
const emit = defineEmits<{ done: [id: string]; gone: [] }>()
const { usual, add, save, remove } = useCarriers()
const { draft, dirty, blocked, errors, rest, store, unsaved } = useDocumentForm<Carrier>({
  stored: () => ({ version: props.doc.version, value: props.doc.carrier }),
  fresh: () => props.fresh,
  store: async (carrier, version) => (await (props.fresh ? add.mutateAsync(carrier) : save.mutateAsync({ version, carrier }))).carrier.id,
  shows: (field) => /^(name|source|pieces\.|together\.|restricted\.)/.test(field),
  verbs: [add, save, remove],
})
const deleting = ref(false)
const MEANS = ['plane', 'train', 'bus', 'ferry', 'boat', 'car', 'on-foot'].map((value) => ({ value, title: value.replace('-', ' ') }))

function error(piece: PieceKind, field: string): string {
  return errors.value[`pieces.${ruleIndex(draft.value, piece)}.${field}`] ?? ''
}
function set(piece: PieceKind, field: 'count' | 'sum_mm' | 'mass_g', value: number | null | undefined): void {
  draft.value = withRule(draft.value, { ...ruleFor(draft.value, piece), [field]: value ?? null })
}
function side(piece: PieceKind, at: number, value: number | null | undefined): void {
  const rule = ruleFor(draft.value, piece)
  draft.value = withRule(draft.value, { ...rule, size_mm: withSide(rule.size_mm, at, value ?? null) })
}
const together = computed(() => draft.value.together?.[0])
function share(pieces: PieceKind[], mass_g: number | null): void {
  draft.value = { ...draft.value, together: pieces.length && mass_g !== null ? [{ pieces, mass_g }] : [] }
}
async function submit(): Promise<void> {
  const id = await store()
  if (id) emit('done', id)
}
defineExpose({ unsaved })
async function takeOut(): Promise<void> {
  await remove.mutateAsync(props.doc.carrier.id).then(
    () => emit('gone'),
    () => undefined,
  )
}
</script>

<template>
  <form class="editor" novalidate @submit.prevent="submit">
    <div class="two">
      <VTextField v-model="draft.name" label="Name" maxlength="80" :error-messages="errors.name" />
      <VSelect v-model="draft.means" :items="MEANS" label="By" />
    </div>
    <fieldset v-for="piece in PIECES" :key="piece" class="piece">
      <legend>{{ PIECE[piece] }} <span class="quiet">leave a field empty where there is no limit</span></legend>
      <div class="fields">
        <NumberField :model-value="ruleFor(draft, piece).count" label="Pieces" :error="error(piece, 'count')" @update:model-value="set(piece, 'count', $event)" />
        <NumberField v-for="(label, at) in ['Length', 'Width', 'Height']" :key="label" :model-value="ruleFor(draft, piece).size_mm?.[at] ?? null" :label="label" quantity="side" :error="error(piece, `size_mm.${at}`)" @update:model-value="side(piece, at, $event)" />
        <NumberField :model-value="ruleFor(draft, piece).sum_mm" label="Sum of sides" quantity="side" :error="error(piece, 'sum_mm')" @update:model-value="set(piece, 'sum_mm', $event)" />
        <NumberField :model-value="ruleFor(draft, piece).mass_g" label="Mass each" quantity="load" :error="error(piece, 'mass_g')" @update:model-value="set(piece, 'mass_g', $event)" />
        <VCheckbox class="soft" :model-value="ruleFor(draft, piece).soft_only ?? false" label="Soft bags only" @update:model-value="draft = withRule(draft, { ...ruleFor(draft, piece), soft_only: Boolean($event) })" />
      </div>
    </fieldset>
    <fieldset class="piece">
      <legend>Together <span class="quiet">a mass that several pieces share</span></legend>
      <div class="two">
        <VSelect :model-value="together?.pieces ?? []" multiple :items="PIECES.map((p) => ({ title: PIECE[p], value: p }))" label="These pieces" @update:model-value="share($event, together?.mass_g ?? 12000)" />
        <NumberField :model-value="together?.mass_g ?? null" label="May weigh together" quantity="load" :error="errors['together.0.mass_g']" @update:model-value="share(together?.pieces ?? ['cabin', 'personal'], $event ?? null)" />
      </div>
    </fieldset>
    <RestrictedRules v-if="usual && draft.means === 'plane'" v-model="draft" :usual="usual" :errors="errors" />
    <div class="two">
      <VTextField v-model="draft.source" label="Where you read it" maxlength="2000" :error-messages="errors.source" />
      <VTextField :model-value="draft.checked" type="date" label="Checked on" @update:model-value="draft.checked = $event || null" />
    </div>
    <p v-if="rest" class="wrong" role="alert">{{ rest }}</p>
    <div class="row">
      <VBtn v-if="!fresh" variant="text" color="error" @click="deleting = true">Remove</VBtn>
      <span class="grow" />
      <VBtn color="primary" variant="flat" type="submit" :disabled="!dirty || blocked" :loading="add.isPending.value || save.isPending.value">{{ fresh ? 'Add carrier' : 'Save' }}</VBtn>
    </div>
    <AskFirst v-model="deleting" title="Remove this carrier" :text="`${doc.carrier.name} goes for good. Legs that name it must be changed first.`" yes="Remove it" @yes="takeOut" />
  </form>
</template>

<style scoped>
.soft {
  grid-column: 1 / -1;
}
.editor {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.two {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 10px;
}
.piece {
  border: 0;
  border-top: 1px solid var(--line);
  padding: 10px 0 0;
  margin: 0;
}
legend {
  font-weight: 700;
  padding: 0 8px 0 0;
}
.fields {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 8px;
}
.row {
  display: flex;
}
.grow {
  flex: 1;
}
.wrong {
  color: var(--rust);
  margin: 0;
}
</style>
