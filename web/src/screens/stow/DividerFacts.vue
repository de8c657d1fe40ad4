<script setup lang="ts">
/** How a space is divided: dividers by length and place, whether it came with enough, and the plan on paper. */
import { computed } from 'vue'
import type { RoomUse } from '@/api/types'
import { useUnits } from '@/composables/useSession'
import { dividerLines, enoughText, layoutText } from '@/wording/dividers'

const props = defineProps<{ room: RoomUse; gap: number; file: (form: 'svg' | 'a4' | 'a3') => string }>()
const units = useUnits()
const lines = computed(() => dividerLines(props.room, units.value))
const enough = computed(() => enoughText(props.room))
</script>

<template>
  <section class="notes" aria-label="Dividers">
    <h2>Dividers</h2>
    <p>{{ layoutText(room, gap) }}</p>
    <ul v-if="lines.length">
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
    <p v-if="enough" :class="{ bad: enough.startsWith('▲') }">{{ enough }}</p>
    <p v-if="lines.length" class="files">Print at 100 %: <a :href="file('a4')" target="_blank" rel="noopener">A4</a> <a :href="file('a3')" target="_blank" rel="noopener">A3</a> <span class="grow" /> <a :href="file('svg')">SVG</a></p>
  </section>
</template>

<style scoped>
.files {
  display: flex;
  gap: 10px;
}
</style>
