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
    said.value = [told('Things', back.things), told('Carriers', back.carriers), told('Trips', back.trips)].filter(Boolean).join(' ') || 'There was nothing in it.'
  } catch (error) {
    said.value = ''
    wrong.value = `Nothing came back. ${sentence(asProblem(error))}`
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
    <p>Signed in as <b>{{ name }}</b>. Gear, carriers and trips are yours alone and stay on this server{{ demo ? '; this demo world goes after a day without you' : '' }}.</p>
    <p><a class="link" href="/api/exchange/account.zip" download>Take everything away</a>: one zip of open files with the locker, carriers, trips, kits, notes and what can be undone.</p>
    <p><button type="button" class="link" :disabled="restore.isPending.value" @click="input?.click()">{{ restore.isPending.value ? 'Putting it back…' : 'Put such a file back' }}</button>: what is here stays; what differs comes in beside it.</p>
    <input ref="input" type="file" hidden accept=".zip,application/zip" aria-label="A file with everything" @change="chosen" />
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="quiet">One trip alone goes away as a plan file from its Bench (⋮), and comes in again on the Trips screen.</p>
    <h2>Where figures come from</h2>
    <p>Every mass says whether it was weighed, stated by a maker, or typical. Typical ones carry “≈”: weigh the thing once in the Locker.</p>
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
