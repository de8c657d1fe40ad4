<script setup lang="ts">
/** The bags of one set: how they hang, open, keep dry; and the way to try it. */
import type { BagSet, Thing } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { useUnits } from '@/composables/useSession'
import { bagFacts, NOW } from '@/wording/bags'

defineProps<{ set: BagSet; things: Map<string, Thing>; names: Names; busy: boolean }>()
const emit = defineEmits<{ take: [] }>()
const units = useUnits()
function bearer(set: BagSet, bag: string): string {
  const at = set.kit.entries?.find((e) => e.item === bag)?.place
  return at?.where === 'piece' ? at.person : ''
}
function held(set: BagSet, bag: string): boolean {
  const at = set.kit.entries?.find((e) => e.item === bag)?.place
  return at?.where === 'piece' && at.piece === 'hold'
}
</script>

<template>
  <section class="facts-of" aria-label="The bags of this set">
    <template v-for="bag in set.bags" :key="bag">
      <h2>{{ names.thing(bag) }} <span class="quiet">{{ held(set, bag) ? 'checked in' : 'carried' }} by {{ names.person(bearer(set, bag)) }}</span></h2>
      <dl v-if="!held(set, bag)" class="facts">
        <template v-for="fact in bagFacts(things.get(bag), units)" :key="fact.what"><dt>{{ fact.what }}</dt><dd>{{ fact.said }}</dd></template>
      </dl>
    </template>
    <VBtn v-if="set.key !== NOW" color="primary" variant="flat" :loading="busy" @click="emit('take')">Try it as a new kit</VBtn>
  </section>
</template>

<style scoped>
.facts-of {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.facts-of :deep(.v-btn) {
  align-self: flex-start;
}
h2 {
  margin: 8px 0 0;
}
</style>
