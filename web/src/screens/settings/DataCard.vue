<script setup lang="ts">
/** All of the account out as one file, and such a file back in. */
import { ref } from 'vue'
import { asProblem, sentence } from '@/api/problem'
import { useRestore } from '@/composables/useRestore'

defineProps<{ name: string; demo: boolean }>()
const input = ref<HTMLInputElement | null>(null)
const said = ref('')
const wrong = ref('')
type Counts = Record<string, number>

function told(what: string, counts: Counts): string {
  const parts = [counts.new ? `${counts.new} came in` : '', counts.same ? `${counts.same} were here already` : '', counts.renamed ? `${counts.renamed} came in beside another of their name` : '']
  const list = parts.filter(Boolean).join(', ')
  return list && `${what}: ${list}.`
}
const restore = useRestore()
async function put(file: File): Promise<void> {
  try {
    const back = await restore.mutateAsync(file)
    wrong.value = ''
    said.value = [told('Things', back.things), told('Carriers', back.carriers), told('Trips', back.trips)].filter(Boolean).join(' ') || 'The file was empty.'
  } catch (error) {
    said.value = ''
    wrong.value = `Nothing was restored. ${sentence(asProblem(error))}`
  }
}
function chosen(event: Event): void {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (file) void put(file)
}
</script>

<template>
  <section aria-label="Your data">
    <h2>Your data</h2>
    <p>Signed in as <b>{{ name }}</b>. Your gear, carriers and trips are private and stay on this server{{ demo ? '. This demo world is deleted after a day without you' : '' }}.</p>
    <p><a class="link" href="/api/exchange/account.zip" download>Export everything</a>: one zip of open files with your locker, carriers, trips, kits, notes and undo steps.</p>
    <p><button type="button" class="link" :disabled="restore.isPending.value" @click="input?.click()">{{ restore.isPending.value ? 'Restoring…' : 'Restore from an export' }}</button>: nothing here is overwritten; anything that differs is added beside it.</p>
    <input ref="input" type="file" hidden accept=".zip,application/zip" aria-label="Export file" @change="chosen" />
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="quiet">To export one trip as a plan file, use ⋮ on its Bench; import it under Trips.</p>
    <h2>Where figures come from</h2>
    <p>Every mass says whether it was weighed, stated by the maker or typical. “≈” marks typical ones: weigh the item once in the Locker.</p>
  </section>
</template>

<style scoped>
p {
  margin: 8px 0 0;
}
.wrong {
  color: var(--rust);
}
h2:not(:first-child) {
  margin-top: 18px;
}
</style>
