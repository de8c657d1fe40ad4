<script setup lang="ts">
/** A number with its unit. Holds what is stored; shows and takes what is typed in the user's units. */
import { computed, ref, watch } from 'vue'
import { useUnits } from '@/composables/useSession'
import { useFieldGate } from '@/composables/useFieldGate'
import { askFor, parseTyped } from '@/format/typed'
import { type Quantity, typed } from '@/format/units'

const props = withDefaults(
  defineProps<{
    label?: string
    quantity?: Quantity
    unit?: string
    error?: string
    required?: boolean
    autofocus?: boolean
    hideLabel?: boolean
  }>(),
  { label: '', quantity: 'plain', unit: '', error: '', required: false, autofocus: false, hideLabel: false },
)
const model = defineModel<number | null | undefined>()
const units = useUnits()
const how = computed(() => typed(props.quantity, units.value))

function shown(): string {
  if (model.value === null || model.value === undefined) return ''
  return String(Number(how.value.show(model.value).toFixed(how.value.digits)))
}
const text = ref(shown())
const bad = ref('')
// While it stands here, the form is not saved with the figure of before.
useFieldGate(() => bad.value !== '')
watch([model, how], () => {
  if (bad.value || parse(text.value) === model.value) return
  text.value = shown()
})

function parse(raw: string): number | null {
  return parseTyped(raw, props.quantity, units.value, props.unit)
}

function take(raw: string): void {
  text.value = raw
  const value = parse(raw)
  if (Number.isNaN(value)) {
    bad.value = askFor(props.quantity, props.unit)
    return
  }
  bad.value = value === null && props.required ? 'Needed' : ''
  model.value = value
}
</script>

<template>
  <VTextField
    :model-value="text"
    :label="hideLabel ? undefined : label"
    :aria-label="label"
    :suffix="unit || how.unit"
    :error-messages="bad || error"
    :autofocus="autofocus"
    persistent-placeholder
    placeholder="–"
    inputmode="decimal"
    autocomplete="off"
    @update:model-value="take(String($event ?? ''))"
  />
</template>
