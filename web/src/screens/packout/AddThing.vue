<script setup lang="ts">
/** One thing more at the last moment: which, and into which bag. */
import { computed, ref } from 'vue'
import type { Thing } from '@/api/types'
import type { Names } from '@/wording/names'

const props = defineProps<{ bags: string[]; things: Map<string, Thing>; loaded: ReadonlyMap<string, number>; names: Names; busy: boolean }>()
const emit = defineEmits<{ add: [item: string, bag: string] }>()
const item = ref('')
const bag = ref('')
/** Things at hand of which a piece stays at home. */
const able = computed(() => [...props.things.values()].filter((t) => !t.absent && t.standing !== 'can-rent' && t.standing !== 'can-borrow' && (props.loaded.get(t.id) ?? 0) < (t.count ?? 1) && t.kind !== 'bag').sort((a, b) => a.name.localeCompare(b.name)))
const into = computed(() => bag.value || props.bags[0] || '')
function add(): void {
  if (!item.value || !into.value) return
  emit('add', item.value, into.value)
  item.value = ''
}
</script>

<template>
  <form v-if="bags.length" class="add" @submit.prevent="add">
    <label>add one more <select v-model="item"><option value="">choose…</option><option v-for="t in able" :key="t.id" :value="t.id">{{ t.name }}</option></select></label>
    <label>into <select :value="into" @change="bag = ($event.target as HTMLSelectElement).value"><option v-for="b in bags" :key="b" :value="b">{{ names.thing(b) }}</option></select></label>
    <button type="submit" class="link" :disabled="busy || !item">Add it</button>
  </form>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 6px 0 12px;
}
select {
  max-width: 220px;
}
@media (max-width: 700px) {
  select {
    min-height: 44px;
  }
}
</style>
