<script setup lang="ts">
/** All keys in force, opened with ?. */
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { inForce, spelt } from '@/composables/useKeys'
import { SCREENS } from '@/wording/stations'
import SheetDialog from './SheetDialog.vue'

const open = defineModel<boolean>({ required: true })
const route = useRoute()
const screen = computed(() => SCREENS[String(route.name)])
/** The same act by two keys stands once. */
const rows = computed(() => {
  const found = new Map<string, string[]>()
  for (const shortcut of inForce) found.set(shortcut.does, [...(found.get(shortcut.does) ?? []), spelt(shortcut.key)])
  return [...found].map(([does, keys]) => ({ does, keys }))
})
</script>

<template>
  <SheetDialog v-model="open" max-width="460" aria-label="Keys">
    <div class="sheet">
      <h2>Keys <span v-if="screen" class="quiet">on {{ screen }}</span></h2>
      <table>
        <tbody>
          <tr v-for="row in rows" :key="row.does">
            <td class="key"><template v-for="(key, index) in row.keys" :key="key">{{ index ? ' or ' : '' }}<kbd>{{ key }}</kbd></template></td>
            <td>{{ row.does }}</td>
          </tr>
        </tbody>
      </table>
      <div class="sheet-end"><VBtn autofocus @click="open = false">Close</VBtn></div>
    </div>
  </SheetDialog>
</template>

<style scoped>
.key {
  width: 150px;
}
kbd {
  font: inherit;
  font-weight: 700;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  padding: 0 6px;
}
</style>
