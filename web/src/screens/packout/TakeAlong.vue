<script setup lang="ts">
/** Paper, dates and tables to take along. */
import { along } from '@/composables/useAlong'
defineProps<{ trip: string; kit: string }>()
const PAPER = [
  ['sheet', 'Load sheet, one page'],
  ['list', 'Full pack list'],
  ['labels', 'Labels for the bags'],
] as const
const TABLES = [
  ['kit', 'the kit'],
  ['pack-out', 'this list'],
  ['tasks', 'to do before leaving'],
  ['to-get', 'to get first'],
  ['days', 'the days'],
  ['log', 'the notes'],
  ['used', 'used on the trip'],
] as const
</script>

<template>
  <section v-if="!along" aria-label="Take along">
    <h2>On paper <span class="quiet">PDF, A4</span></h2>
    <p v-for="[part, title] in PAPER" :key="part"><a class="link" :href="`/api/exchange/paper/${trip}/${kit}/${part}.pdf`">{{ title }}</a></p>
    <h2>In your calendar</h2>
    <p><a class="link" :href="`/api/exchange/calendar/${trip}/${kit}.ics`">Charge, fetch, copy, bring back</a> <span class="quiet">.ics; import it again to update the dates</span></p>
    <h2>As tables</h2>
    <p v-for="[name, title] in TABLES" :key="name">{{ title }}: <a class="link" :href="`/api/exchange/tables/${trip}/${kit}/${name}.csv`">CSV</a> <a class="link" :href="`/api/exchange/tables/${trip}/${kit}/${name}.xlsx`">XLSX</a></p>
    <h2>The whole plan</h2>
    <p><a class="link" :href="`/api/exchange/plans/${trip}/${kit}`">Plan file</a> <span class="quiet">to open elsewhere or to keep</span></p>
  </section>
</template>

<style scoped>
p {
  margin: 4px 0;
}
h2 {
  margin-top: 10px;
}
@media (max-width: 700px) {
  p {
    min-height: 44px;
  }
}
</style>
