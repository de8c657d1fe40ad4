<script setup lang="ts">
/** All keys in force, opened with ?. */
import { computed } from 'vue'
import { inForce } from '@/composables/useKeys'

const open = defineModel<boolean>({ required: true })
const rows = computed(() => [...inForce].map((s) => ({ key: s.key === ' ' ? 'Space' : s.key, does: s.does })))
</script>

<template>
  <VDialog v-model="open" max-width="460" aria-label="Keys">
    <div class="sheet">
      <h2>Keys</h2>
      <table>
        <tbody>
          <tr v-for="row in rows" :key="row.key + row.does">
            <td class="key"><kbd>{{ row.key }}</kbd></td>
            <td>{{ row.does }}</td>
          </tr>
        </tbody>
      </table>
      <p class="label">On the mat: arrows walk from thing to thing, Space loads or leaves, + and − change the count, Enter opens.</p>
      <div class="end"><VBtn autofocus @click="open = false">Close</VBtn></div>
    </div>
  </VDialog>
</template>

<style scoped>
.key {
  width: 90px;
}
kbd {
  font: inherit;
  font-weight: 700;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  padding: 0 6px;
}
.end {
  margin-top: 12px;
  text-align: right;
}
</style>
