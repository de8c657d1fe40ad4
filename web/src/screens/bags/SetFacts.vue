<script setup lang="ts">
/** The bags of one set: how they hang, open, keep dry; and the way to try it. */
import { computed } from 'vue'
import type { BagSet, Thing } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { bagFacts, NOW } from '@/wording/bags'

const emit = defineEmits<{ take: [] }>()
const units = useUnits()
/** How a bag travels, and with whom. */
function travels(set: BagSet, bag: string): { held: boolean; person: string } {
  const at = set.kit.entries?.find((e) => e.item === bag)?.place
  return at?.where === 'piece' ? { held: at.piece === 'hold', person: at.person } : { held: false, person: '' }
}
const props = defineProps<{ set: BagSet; things: Map<string, Thing>; names: Names; busy: boolean }>()
const bags = computed(() => props.set.bags.map((bag) => ({ bag, ...travels(props.set, bag), facts: bagFacts(props.things.get(bag), units.value) })))
</script>

<template>
  <section class="facts-of" aria-label="The bags of this set">
    <template v-for="one in bags" :key="one.bag">
      <h2>{{ names.thing(one.bag) }} <span class="quiet">{{ one.held ? 'checked in' : 'carried' }} by {{ names.person(one.person) }}</span></h2>
      <dl v-if="!one.held" class="facts">
        <template v-for="fact in one.facts" :key="fact.what"><dt>{{ fact.what }}</dt><dd>{{ fact.said }}</dd></template>
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
