<script setup lang="ts">
/** Wants from pictures of before: a folder is read in the browser, its subjects stand side by side, those picked are added. */
import { ref, watch } from 'vue'
import type { PastWant, Want } from '@/api/types'
import NamesAsked from '@/components/NamesAsked.vue'
import SheetDialog from '@/components/SheetDialog.vue'
import { MOST_SHOTS, useOwnPictures } from '@/composables/useOwnPictures'
import { pastSays } from '@/pictures/past'
import { many } from '@/wording/parts'
import PastWants from './PastWants.vue'

const props = defineProps<{ taken: string[] }>()
const emit = defineEmits<{ add: [wants: Want[]] }>()
const open = defineModel<boolean>({ required: true })
const { past, done, total, silent, reading, busy, read, stop, again, mute } = useOwnPictures()
const folder = ref<HTMLInputElement | null>(null)
const files = ref<HTMLInputElement | null>(null)
const picked = ref<string[]>([])
const names = ref<Record<string, string>>({})
watch(past, (said) => {
  picked.value = (said?.wants ?? []).filter((p) => (p.want.importance ?? 3) > 1).map((p) => p.want.id)
  names.value = {}
})
watch(open, (is) => !is && stop())
function take(event: Event): void {
  const input = event.target as HTMLInputElement
  const chosen = [...(input.files ?? [])]
  input.value = ''
  if (chosen.length) void read(chosen, props.taken)
}
function add(): void {
  const wants = (past.value?.wants ?? []).filter((p: PastWant) => picked.value.includes(p.want.id)).map((p) => ({ ...p.want, name: names.value[p.want.id]?.trim() || p.want.name }))
  emit('add', wants)
  open.value = false
}
</script>

<template>
  <SheetDialog v-model="open" max-width="980" aria-label="Shots from your pictures">
    <div class="sheet">
      <h2>Shots from your pictures</h2>
      <p>
        <button type="button" class="link" :disabled="busy" @click="folder?.click()">Choose a folder</button> of earlier trips, or <button type="button" class="link" :disabled="busy" @click="files?.click()">some files</button>.
        <span class="quiet">Only their metadata is read, in this browser. No picture or file name is sent, and nothing is kept.</span>
      </p>
      <input ref="folder" type="file" multiple webkitdirectory hidden aria-label="A folder of pictures" @change="take" />
      <input ref="files" type="file" multiple hidden aria-label="Pictures" @change="take" />
      <div v-if="reading" class="progress">
        <progress :value="done" :max="total" aria-label="Pictures read" />
        <span role="status">{{ done.toLocaleString('en') }} of {{ many(total, 'picture') }}</span>
        <button type="button" class="link" @click="stop">stop here</button>
      </div>
      <p v-else-if="busy && !past" role="status">Sorting them…</p>
      <template v-if="past">
        <p role="status">{{ pastSays(past, silent, done, total) }}{{ total === MOST_SHOTS ? ` Only the newest ${MOST_SHOTS.toLocaleString('en')} were looked at.` : '' }}</p>
        <NamesAsked :unknown="past.unknown" :busy="busy" @told="again(taken)" />
        <PastWants v-if="past.wants.length" v-model:picked="picked" v-model:names="names" :past="past.wants" />
      </template>
      <p v-else-if="mute" class="bad" role="status">None of these files says how it was taken.</p>
      <p v-else-if="!busy && !done" class="quiet">See the focal lengths, f-numbers and hours you really use, grouped by light, and add them as shots.</p>
      <p class="sheet-end">
        <VBtn @click="open = false">Close</VBtn>
        <VBtn v-if="past?.wants.length" color="primary" variant="flat" :disabled="busy || !picked.length" @click="add">Add {{ many(picked.length, 'shot') }}</VBtn>
      </p>
    </div>
  </SheetDialog>
</template>

<style scoped>
p {
  margin: 4px 0;
}
.progress {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
progress {
  width: 240px;
  accent-color: var(--saddle);
}
.bad {
  color: var(--rust);
}
</style>
