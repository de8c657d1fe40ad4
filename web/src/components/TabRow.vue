<script setup lang="ts" generic="T extends string | number | boolean | null">
/** A row of words of which one is picked, or several where a list of them is given: views, sorts, parts, days. */
const props = withDefaults(
  defineProps<{
    label: string
    tabs: readonly { name: T; title: string; hint?: string | undefined }[]
    modelValue: T | readonly T[] | undefined
    disabled?: boolean
    /** What it picks is a part of the screen: a way to go, not a filter. */
    way?: boolean
  }>(),
  { disabled: false, way: false },
)
const emit = defineEmits<{ 'update:modelValue': [name: T] }>()
function picked(name: T): boolean {
  const now = props.modelValue
  return Array.isArray(now) ? now.includes(name) : now === name
}
</script>

<template>
  <component :is="way ? 'nav' : 'div'" class="row" :role="way ? undefined : 'group'" :aria-label="label">
    <button v-for="tab in tabs" :key="String(tab.name)" type="button" class="tab" :title="tab.hint" :disabled="disabled" :aria-pressed="picked(tab.name)" @click="emit('update:modelValue', tab.name)">{{ tab.title }}</button>
    <slot />
  </component>
</template>

<style scoped>
/* Where it stands decides whether it is shown. */
:where(.row) {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 13px;
}
</style>
