<script setup lang="ts">
/** What stays in any case, because the choice does not decide about it: each may be left, or must come. */
import { computed, ref } from 'vue'
import type { Kept, Marks } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { markedAs, withMark } from '@/wording/marks'
import { many } from '@/wording/parts'

const props = defineProps<{ kept: Kept[]; mayLeave: string[]; marks: Marks; names: Names }>()
const emit = defineEmits<{ leave: [items: string[]]; mark: [marks: Marks] }>()
const units = useUnits()
const open = ref(false)
const FIRST = 4
const carried = computed(() => props.kept.filter((k) => k.carried))
const grams = computed(() => carried.value.reduce((sum, k) => sum + k.mass_g, 0))
const first = computed(() => carried.value.slice(0, FIRST).map((k) => `${props.names.thing(k.item)} ${fmt.mass(k.mass_g, units.value)}`))
const rest = computed(() => carried.value.slice(FIRST))
function text(): string {
  const more = rest.value.length ? `, and ${many(rest.value.length, 'item')} more, ${fmt.mass(rest.value.reduce((sum, k) => sum + k.mass_g, 0), units.value)}` : ''
  return `${first.value.join(', ')}${more}`
}
</script>

<template>
  <div class="kept">
    <p>
      <b>Stays in any case: {{ fmt.load(grams, units) }}.</b> {{ text() }}.
      <button v-if="kept.length" type="button" class="link" :aria-expanded="open" @click="open = !open">{{ open ? 'close' : 'choose what could stay home' }}</button>
    </p>
    <p v-if="mayLeave.length" class="label">
      Could stay home now: <template v-for="item in mayLeave" :key="item">{{ names.thing(item) }} <button type="button" class="link" :aria-label="`Keep ${names.thing(item)}`" @click="emit('leave', mayLeave.filter((i) => i !== item))">keep</button>{{ ' ' }}</template>
    </p>
    <table v-if="open">
      <tbody>
        <tr v-for="k in kept" :key="k.item">
          <td>{{ k.count > 1 ? `${k.count} × ` : '' }}{{ names.thing(k.item) }}</td>
          <td class="number">{{ fmt.mass(k.mass_g, units) }}</td>
          <td class="label">{{ k.carried ? '' : 'in the hold' }}</td>
          <td>
            <template v-if="k.safe"><span class="label">safety gear: always stays</span></template>
            <template v-else>
              <button type="button" class="link label" @click="emit('leave', [...mayLeave, k.item])">could stay home</button>
              <button type="button" class="link label" :aria-pressed="markedAs(marks, k.item) === 'always take'" @click="emit('mark', withMark(marks, k.item, 'must_take'))">{{ markedAs(marks, k.item) === 'always take' ? 'always take ✓' : 'always take' }}</button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.kept {
  max-height: 34%;
  overflow: auto;
  flex: none;
}
p {
  margin: 0;
}
td {
  padding: 1.5px 8px 1.5px 0;
}
td .link {
  margin-right: 10px;
}
</style>
