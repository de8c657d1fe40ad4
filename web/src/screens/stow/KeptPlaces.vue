<script setup lang="ts">
/** What lies elsewhere than before, and the wish to pack it all anew. */
import { computed } from 'vue'
import type { Stowage } from '@/api/types'
import type { Names } from '@/wording/names'
import { moves } from '@/wording/dividers'

const props = defineProps<{ stowage: Stowage; names: Names; running: boolean }>()
const emit = defineEmits<{ anew: []; disturb: [] }>()
const moved = computed(() => moves(props.stowage, props.names.thing))
const stays = computed(() => props.stowage.left.some((over) => over.why === 'stays'))
</script>

<template>
  <section class="notes" aria-label="What moved" aria-live="polite">
    <h2>{{ moved.length ? 'Moves' : 'Where things lie' }}</h2>
    <ul v-if="moved.length"><li v-for="line in moved" :key="line">{{ line }}</li></ul>
    <p v-else>What can stay where it lies stays, whatever you change.</p>
    <p v-if="stays">What you ticked on the list keeps its place, though something is left over. <button type="button" class="link" :disabled="running" @click="emit('disturb')">Let ticked things move</button></p>
    <p><button type="button" class="link" :disabled="running" title="Everything may get another place. What you pinned stays." @click="emit('anew')">Pack it all anew</button></p>
  </section>
</template>
