<script setup lang="ts">
/** One line under the header on the first trip: what this station is for, and the way to the next. */
import { useFirstWalk } from '@/composables/useFirstWalk'

defineProps<{ trip: string; kit: string }>()
const { first, here, next, left, end } = useFirstWalk()
</script>

<template>
  <aside v-if="first && here" class="word-above" aria-label="First walk">
    <p><b>{{ here.title }}.</b> {{ here.says }}</p>
    <span class="ways">
      <RouterLink v-if="next" class="link" :to="{ name: next.name, params: { trip, kit } }">on to {{ next.title }}{{ left.length > 1 ? `, ${left.length - 1} more after it` : '' }}</RouterLink>
      <button type="button" class="link quiet" @click="end">{{ next ? 'I find my own way' : 'Done' }}</button>
    </span>
  </aside>
</template>
