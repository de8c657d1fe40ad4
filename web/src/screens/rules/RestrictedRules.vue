<script setup lang="ts">
/** What a carrier says of restricted things: the usual answers, until you type what it says otherwise. */
import { computed } from 'vue'
import type { Carrier, Restriction } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { ANSWER, SORT } from '@/wording/gate'

const props = defineProps<{ usual: Restriction[]; errors: Record<string, string> }>()
const carrier = defineModel<Carrier>({ required: true })
const ANSWERS = Object.entries(ANSWER).map(([value, title]) => ({ value, title }))
const rows = computed(() =>
  props.usual.map((rule) => {
    const index = carrier.value.restricted.findIndex((r) => r.sort === rule.sort)
    return { rule: carrier.value.restricted[index] ?? rule, own: index >= 0, index }
  }),
)
function change(rule: Restriction, change: Partial<Restriction>): void {
  const others = carrier.value.restricted.filter((r) => r.sort !== rule.sort)
  carrier.value = { ...carrier.value, restricted: [...others, { ...rule, ...change }] }
}
function asUsual(rule: Restriction): void {
  carrier.value = { ...carrier.value, restricted: carrier.value.restricted.filter((r) => r.sort !== rule.sort) }
}
</script>

<template>
  <details>
    <summary><b>Restricted things</b> <span class="quiet">{{ carrier.restricted.length ? `${carrier.restricted.length} otherwise than usual` : 'as usual' }}</span></summary>
    <p class="quiet">The usual answers of the air. Type what this carrier says otherwise; note below where you read it and when.</p>
    <table>
      <thead><tr><th>sort</th><th>cabin</th><th>hold</th><th>at most</th><th>note</th></tr></thead>
      <tbody>
        <tr v-for="{ rule, own, index } in rows" :key="rule.sort">
          <td :class="{ own }">{{ SORT[rule.sort] }} <button v-if="own" type="button" class="link" @click="asUsual(rule)">as usual</button></td>
          <td><VSelect :model-value="rule.cabin" :items="ANSWERS" :aria-label="`${SORT[rule.sort]} in the cabin`" hide-details @update:model-value="change(rule, { cabin: $event })" /></td>
          <td><VSelect :model-value="rule.hold" :items="ANSWERS" :aria-label="`${SORT[rule.sort]} in the hold`" hide-details @update:model-value="change(rule, { hold: $event })" /></td>
          <td><NumberField :model-value="rule.most ?? null" label="Pieces" :error="errors[`restricted.${index}.most`]" @update:model-value="change(rule, { most: $event == null ? null : Math.round($event) })" /></td>
          <td><VTextField :model-value="rule.note" :aria-label="`Note on ${SORT[rule.sort]}`" hide-details @update:model-value="change(rule, { note: String($event ?? '') })" /></td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
td {
  padding: 4px 6px 4px 0;
  vertical-align: middle;
}
table {
  table-layout: fixed;
}
th:nth-child(1) {
  width: 130px;
}
th:nth-child(2),
th:nth-child(3) {
  width: 116px;
}
th:nth-child(4) {
  width: 80px;
}
.own {
  font-weight: 700;
}
p {
  margin: 6px 0;
}
</style>
