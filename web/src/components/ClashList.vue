<script setup lang="ts">
/** Fields that two windows changed to something else: both are shown, and one is picked. */
import type { Clash } from '@/api/merge'

defineProps<{ clashes: Clash[] }>()
const emit = defineEmits<{ settle: [clash: Clash, take: 'mine' | 'theirs'] }>()

function where(clash: Clash): string {
  return clash.path.map((part) => String(part).replace(/_(mm|g|kg|h|c|l)$/, '').replaceAll('_', ' ')).join(' › ')
}
function text(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing'
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}
</script>

<template>
  <div v-if="clashes.length" class="clashes" role="alert">
    <b>Another window changed this, too:</b>
    <div v-for="clash in clashes" :key="clash.path.join()" class="clash">
      <span>{{ where(clash) }}</span>
      <button type="button" class="link" @click="emit('settle', clash, 'mine')">here: {{ text(clash.mine) }}</button>
      <button type="button" class="link" @click="emit('settle', clash, 'theirs')">there: {{ text(clash.theirs) }}</button>
    </div>
  </div>
</template>

<style scoped>
.clashes {
  background: var(--sheet);
  border-left: 3px solid var(--ochre);
  padding: 6px 10px;
}
.clash {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
