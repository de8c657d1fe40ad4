<script setup lang="ts">
/** One field of the form, by its type. */
import { computed } from 'vue'
import type { Thing } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { type Field, parts, read, write } from './fields'

const props = defineProps<{ field: Field; choices: Pick<Thing, 'id' | 'name' | 'kind'>[]; error?: string }>()
const thing = defineModel<Thing>({ required: true })
const value = computed(() => read(thing.value, props.field.path))

function set(next: unknown): void {
  thing.value = write(thing.value, props.field.path, next)
}
function setText(next: string): void {
  set(next === '' && props.field.optional ? null : next)
}
const able = computed(() => props.choices.filter((c) => c.id !== thing.value.id && (!props.field.kinds || props.field.kinds.includes(c.kind))).map((c) => ({ title: c.name, value: c.id })))
const asList = computed(() => {
  const raw = (value.value ?? []) as (string | number | { card_type: string })[]
  return raw.map((one) => (typeof one === 'object' ? one.card_type : String(one))).join(', ')
})
function setList(text: string): void {
  const list = parts(text)
  if (props.field.type === 'numbers') set(list.map((p) => Number(p.replace(/×$/, ''))))
  else set(props.field.type === 'slots' ? list.map((card_type) => ({ card_type })) : list)
}
</script>

<template>
  <NumberField
    v-if="field.type === 'number' || field.type === 'count'"
    :model-value="value as number | null"
    :label="field.label"
    :quantity="field.quantity"
    :unit="field.unit"
    :error="error"
    :required="!field.optional"
    @update:model-value="set($event ?? null)"
  />
  <VCheckbox v-else-if="field.type === 'flag'" :model-value="Boolean(value)" :label="field.label" @update:model-value="set(Boolean($event))" />
  <VSelect v-else-if="field.type === 'choice'" :model-value="value ?? (field.optional ? '' : null)" :items="field.options" :label="field.label" :error-messages="error" @update:model-value="setText(String($event ?? ''))" />
  <VAutocomplete
    v-else-if="field.type === 'things'"
    menu-icon=""
    :class="{ wide: field.many }"
    :model-value="(value ?? (field.many ? [] : null)) as string[] | string | null"
    :items="able"
    :label="field.label"
    :multiple="field.many ?? false"
    :clearable="!field.many"
    :error-messages="error"
    no-data-text="Nothing of that kind in the locker"
    @update:model-value="set($event ?? null)"
  />
  <VTextField v-else-if="field.type === 'text'" :model-value="value as string | null" :label="field.label" :error-messages="error" @update:model-value="setText(String($event ?? ''))" />
  <VTextField v-else :model-value="asList" :label="field.label" hint="Separate several with commas" :error-messages="error" @change="setList(($event.target as HTMLInputElement).value)" />
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
</style>
