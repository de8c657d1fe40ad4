<script setup lang="ts">
/** One line under the header on the first trip: what this station is for, and the way to the next. */
import { useFirstWalk } from '@/composables/useFirstWalk'

defineProps<{ trip: string; kit: string }>()
const { first, here, next, left, end } = useFirstWalk()
</script>

<template>
  <aside v-if="first && here" class="walk" aria-label="First walk">
    <p><b>{{ here.title }}.</b> {{ here.says }}</p>
    <span class="ways">
      <RouterLink v-if="next" class="link" :to="{ name: next.name, params: { trip, kit } }">on to {{ next.title }}{{ left.length > 1 ? `, ${left.length - 1} more after it` : '' }}</RouterLink>
      <button type="button" class="link quiet" @click="end">{{ next ? 'I find my own way' : 'Done' }}</button>
    </span>
  </aside>
</template>

<style scoped>
.walk {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 20px;
  padding: 6px 20px;
  background: color-mix(in srgb, var(--tan) 28%, var(--paper));
  border-bottom: 1px solid var(--line);
}
p {
  margin: 0;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
@media print {
  .walk {
    display: none;
  }
}
</style>
