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
  <section class="notes" aria-label="Moves" aria-live="polite">
    <h2>{{ moved.length ? 'Moves' : 'Where everything goes' }}</h2>
    <ul v-if="moved.length"><li v-for="line in moved" :key="line">{{ line }}</li></ul>
    <p v-else>Changes move as little as possible.</p>
    <p v-if="stays">Items you ticked on the list keep their place, although something is left over. <button type="button" class="link" :disabled="running" @click="emit('disturb')">Let ticked items move</button></p>
    <p><button type="button" class="link" :disabled="running" title="Everything may get a new place, except items you pinned." @click="emit('anew')">Repack everything</button></p>
  </section>
</template>
