<script setup lang="ts">
/** What was understood of a written list, before any of it is added: to be mended line by line. */
import { computed, watch } from 'vue'
import type { Thing } from '@/api/types'
import { useGearList } from '@/composables/useGearList'
import { useTypical } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { KIND } from '@/wording/kinds'
import { many } from '@/wording/parts'

const props = defineProps<{ text: string; busy: boolean }>()
const emit = defineEmits<{ add: [things: Thing[], rest: string] }>()
const units = useUnits()
const typical = useTypical()
const { lines, wrong, left, counts, good, unknown, things, grams, current, pick, leave, pieces } = useGearList(() => props.text)
const name = (id: string): string => typical.value?.find((t) => t.id === id)?.name ?? id
const all = computed(() => (typical.value ?? []).map((t) => ({ value: t.id, title: t.name, subtitle: KIND[t.kind] })))

/** Enter while the last letters are still on their way: added as soon as they are read. */
let waiting = false
function take(): void {
  waiting = !current.value
  if (waiting || props.busy || things.value.length === 0) return
  emit('add', things.value, unknown.value.map((line) => line.typed).join('\n'))
}
watch(current, (now) => now && waiting && take())
defineExpose({ take })
</script>

<template>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <div v-else class="list">
    <table aria-label="Read as">
      <thead><tr><th>typed</th><th class="number">pieces</th><th>read as</th><th class="number">mass of one</th><th><span class="visually-hidden">leave out</span></th></tr></thead>
      <tbody>
        <tr v-for="(line, index) in lines" :key="index" :class="{ out: left.has(line.typed) }">
          <td>{{ line.typed }}</td>
          <td class="number"><input type="number" min="1" max="99" :value="pieces(line)" :aria-label="`Pieces of ${line.typed}`" @change="counts[line.typed] = Math.max(1, Number(($event.target as HTMLInputElement).value) || 1)" /></td>
          <td v-if="line.thing">
            <select :value="line.likes[0]" :aria-label="`Item for “${line.typed}”`" @change="pick(line, ($event.target as HTMLSelectElement).value)">
              <option v-for="like in line.likes" :key="like" :value="like">{{ like === line.likes[0] ? line.thing.name : name(like) }}</option>
            </select>
            <span class="label"> {{ KIND[line.thing.kind] }}<template v-if="line.thing.name !== name(line.likes[0] ?? '')">, like {{ name(line.likes[0] ?? '') }}</template></span>
          </td>
          <td v-else>
            <VAutocomplete :items="all" :model-value="null" density="compact" hide-details placeholder="not understood: what is it?" :aria-label="`Item for “${line.typed}”`" @update:model-value="pick(line, $event)" />
          </td>
          <td class="number">{{ line.thing ? `${line.thing.mass_source === 'stated' ? '' : '≈ '}${fmt.mass(line.thing.mass_g, units)}` : '' }}</td>
          <td><button type="button" class="link" :aria-label="`${left.has(line.typed) ? 'Take' : 'Leave out'} ${line.typed}`" @click="leave(line)">{{ left.has(line.typed) ? 'take' : 'leave out' }}</button></td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="sum">
    <span role="status">{{ many(good.length, 'line') }} understood, ≈ {{ fmt.load(grams, units) }}<template v-if="unknown.length">; {{ unknown.length }} not: pick what {{ unknown.length === 1 ? 'it is, or it is' : 'they are, or they are' }} left out</template></span>
    <VBtn color="primary" variant="flat" :disabled="busy || !good.length" @click="take">Add {{ good.length === 1 ? 'it' : `all ${good.length}` }}</VBtn>
  </p>
</template>

<style scoped>
.list {
  overflow: auto;
  max-height: 44vh;
  min-height: 160px;
}
input {
  width: 54px;
}
select {
  max-width: 260px;
}
select + .label {
  margin-left: 8px;
}
.out td:not(:last-child) {
  opacity: 0.5;
  text-decoration: line-through;
}
td {
  vertical-align: middle;
}
.sum {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 14px;
  margin: 0;
}
</style>
