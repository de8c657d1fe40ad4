<script setup lang="ts">
/** The picture of a thing: chosen or taken, seen as the mat shows it, taken away again. */
import { ref } from 'vue'
import type { Thing } from '@/api/types'
import { usePictures } from '@/composables/usePictures'
import ThingDrawing from './ThingDrawing.vue'

defineProps<{ thing: Thing }>()
const emit = defineEmits<{ change: [picture: string | null] }>()
const { keep } = usePictures()
const input = ref<HTMLInputElement | null>(null)
function take(event: Event): void {
  const chosen = event.target as HTMLInputElement
  const file = chosen.files?.[0]
  chosen.value = ''
  if (file) keep.mutate(file, { onSuccess: (picture) => emit('change', picture) })
}
</script>

<template>
  <div class="part">
    <span v-if="thing.picture" role="img" :aria-label="`Picture of ${thing.name}`"><ThingDrawing :thing="thing" :side="72" /></span>
    <button type="button" class="link" :disabled="keep.isPending.value" @click="input?.click()">{{ thing.picture ? 'another picture' : 'add a picture' }}</button>
    <button v-if="thing.picture" type="button" class="link" @click="emit('change', null)">without a picture</button>
    <input ref="input" type="file" accept="image/jpeg,image/png,image/webp" hidden aria-label="A picture of it" @change="take" />
  </div>
</template>

<style scoped>
.part {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 4px 0 8px;
}
</style>
