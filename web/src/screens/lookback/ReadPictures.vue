<script setup lang="ts">
/** Pictures to read: files, a folder, a ZIP, or a table of metadata. Only metadata leaves this device; odd files are named. */
import { ref } from 'vue'
import type { LookBack } from '@/api/types'
import NamesAsked from '@/components/NamesAsked.vue'
import type { useLookBack } from '@/composables/useLookBack'
import { many } from '@/wording/parts'

const props = defineProps<{ read: ReturnType<typeof useLookBack>['read']; done: number; total: number; unknown: LookBack['unknown'] }>()
const files = ref<HTMLInputElement | null>(null)
const folder = ref<HTMLInputElement | null>(null)
function take(event: Event): void {
  const input = event.target as HTMLInputElement
  const chosen = [...(input.files ?? [])].filter((f) => !f.name.startsWith('.'))
  input.value = ''
  if (chosen.length) props.read.mutate(chosen)
}
</script>

<template>
  <section aria-label="Pictures">
    <h2>Pictures</h2>
    <p>
      <button type="button" class="link" :disabled="read.isPending.value" @click="files?.click()">Read files, a ZIP or a table</button> or <button type="button" class="link" :disabled="read.isPending.value" @click="folder?.click()">a folder</button>.
      <span class="quiet">Only metadata is kept; your pictures stay where they are.</span>
    </p>
    <input ref="files" type="file" multiple hidden aria-label="Files to read" @change="take" />
    <input ref="folder" type="file" multiple webkitdirectory hidden aria-label="A folder to read" @change="take" />
    <p v-if="read.isPending.value" role="status">{{ done }} of {{ total }} files read…</p>
    <p v-else-if="read.data.value" role="status">{{ many(read.data.value.taken, 'picture') }} read{{ read.data.value.known ? `, ${read.data.value.known} known already` : '' }}{{ read.data.value.odd.length ? `; ${many(read.data.value.odd.length, 'file')} not:` : '.' }}</p>
    <ul v-if="read.data.value?.odd.length">
      <li v-for="o in read.data.value.odd" :key="o.name + o.rule"><b>{{ o.name }}</b> {{ o.rule }}</li>
    </ul>
    <NamesAsked :unknown="unknown" :busy="read.isPending.value" />
  </section>
</template>

<style scoped>
h2 {
  margin-top: 12px;
}
p {
  margin: 4px 0;
}
ul {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
</style>
