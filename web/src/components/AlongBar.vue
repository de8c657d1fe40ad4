<script setup lang="ts">
/** Says whose trip this is, for whoever plans along with them; and lends things to it. */
import { ref } from 'vue'
import { along, endAlong } from '@/composables/useAlong'
import LendThings from './LendThings.vue'

defineProps<{ trip: string }>()
const lending = ref(false)
</script>

<template>
  <aside v-if="along?.trip === trip" class="along" aria-label="Planning along">
    <p>You plan along with <b>{{ along.owner }}</b>. You see what their kits hold, and what you lay beside it.</p>
    <span class="ways">
      <button type="button" class="link" @click="lending = true">lay your own things beside</button>
      <RouterLink class="link" :to="{ name: 'trips' }" @click="endAlong">back to your trips</RouterLink>
    </span>
    <LendThings v-model="lending" :trip="trip" />
  </aside>
</template>

<style scoped>
.along {
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
  .along {
    display: none;
  }
}
</style>
