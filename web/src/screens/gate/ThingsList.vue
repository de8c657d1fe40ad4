<script setup lang="ts">
/** What customs and insurers ask for: every loaded thing with its number, value and owner; prints by itself. */
import { computed } from 'vue'
import type { Thing } from '@/api/types'
import * as fmt from '@/format/units'
import { KIND } from '@/wording/kinds'

const props = defineProps<{ loaded: { thing: Thing; count: number }[] }>()
const VALUED = new Set(['body', 'lens', 'teleconverter', 'drone', 'computer', 'drive', 'light', 'sound', 'tripod', 'head', 'power-bank'])
const rows = computed(() => props.loaded.filter(({ thing }) => thing.serial || thing.value || VALUED.has(thing.kind)))
const total = computed(() => rows.value.reduce((sum, { thing, count }) => sum + (thing.value ?? 0) * count, 0))
const unknown = computed(() => rows.value.filter(({ thing }) => !thing.serial || thing.value === null || thing.value === undefined).length)
function print(): void {
  window.print()
}
</script>

<template>
  <div class="sheet">
    <p class="quiet">For customs and the insurer. Serial number, value and owner of each item are kept in the Locker. <button type="button" class="link" @click="print">Print this list</button></p>
    <p v-if="unknown" class="quiet">{{ unknown }} of {{ rows.length }} items have no serial number or value yet.</p>
    <table>
      <thead><tr><th>thing</th><th>kind</th><th class="number">pieces</th><th>serial</th><th class="number">value</th><th>owner</th></tr></thead>
      <tbody>
        <tr v-for="{ thing, count } in rows" :key="thing.id"><td>{{ thing.name }}</td><td>{{ KIND[thing.kind] }}</td><td class="number">{{ count }}</td><td>{{ thing.serial || '–' }}</td><td class="number">{{ thing.value ? fmt.figure(thing.value * count) : '–' }}</td><td>{{ thing.owner || '–' }}</td></tr>
      </tbody>
      <tfoot><tr><td colspan="4">in all</td><td class="number">{{ fmt.figure(total) }}</td><td /></tr></tfoot>
    </table>
  </div>
</template>

<style scoped>
.sheet {
  overflow: auto;
}
tfoot td {
  font-weight: 700;
}
</style>
