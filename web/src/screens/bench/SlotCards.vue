<script setup lang="ts">
/** Places for either this or that: one click puts the other thing in. */
import { computed } from 'vue'
import type { Edit, Thing, Trip } from '@/api/types'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { swap } from './slots'

const props = defineProps<{ trip: Trip; things: Map<string, Thing>; loaded: Map<string, number>; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const units = useUnits()
const slots = computed(() => props.trip.marks?.slots ?? [])

function put(items: readonly string[], item: string): void {
  const edits = swap(items, item, props.loaded)
  if (edits.length) emit('edit', edits)
}
</script>

<template>
  <div v-for="slot in slots" :key="slot.id" class="slot" role="group" :aria-label="slot.name">
    <span class="label">{{ slot.name }}</span>
    <button v-for="item in slot.items" :key="item" type="button" class="choice" :disabled="busy" :aria-pressed="loaded.has(item)" @click="put(slot.items, item)">
      {{ things.get(item)?.name ?? item }} <span class="figure">{{ fmt.mass(things.get(item)?.mass_g ?? 0, units) }}</span>
    </button>
  </div>
</template>

<style scoped>
.slot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 8px;
}
.choice {
  font: inherit;
  font-size: var(--text-small);
  font-stretch: var(--narrow);
  background: none;
  border: 1px dashed var(--line);
  border-radius: var(--corner);
  padding: 1px 7px;
  color: var(--muted);
  cursor: pointer;
}
.choice[aria-pressed='true'] {
  border: 1px solid var(--ink);
  color: var(--ink);
  font-weight: 700;
}
</style>
