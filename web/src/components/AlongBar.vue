<script setup lang="ts">
/** Says whose trip this is, for whoever plans along with them; and lends things to it. */
import { ref } from 'vue'
import { along, planAlong } from '@/composables/useAlong'
import LendThings from './LendThings.vue'

defineProps<{ trip: string }>()
const lending = ref(false)
</script>

<template>
  <aside v-if="along?.trip === trip" class="word-above" aria-label="Planning along">
    <p>You plan along with <b>{{ along.owner }}</b>. You see their kits, and the gear you lend.</p>
    <span class="ways">
      <button type="button" class="link" @click="lending = true">lend your own gear</button>
      <RouterLink class="link" :to="{ name: 'trips' }" @click="planAlong(null)">back to your trips</RouterLink>
    </span>
    <LendThings v-model="lending" :trip="trip" />
  </aside>
</template>
