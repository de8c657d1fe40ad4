<script setup lang="ts">
/** Cameras and lenses that pictures name and nothing in the locker answers to: pick which it is, and it is remembered. */
import { computed } from 'vue'
import type { LookBack } from '@/api/types'
import { useCalled } from '@/composables/useCalled'
import { namesAsked } from '@/pictures/past'
import { many } from '@/wording/parts'

const props = defineProps<{ unknown: LookBack['unknown']; busy?: boolean }>()
const emit = defineEmits<{ told: [] }>()
const { own, call } = useCalled()
const asked = computed(() => namesAsked(props.unknown))
function told(item: string | null, name: string): void {
  if (item) call.mutate({ item, name }, { onSuccess: () => emit('told') })
}
</script>

<template>
  <ul v-if="asked.length" aria-label="Names that match nothing in the locker">
    <li v-for="one in asked" :key="one.kind + one.name">
      <span>▲ {{ many(one.frames, 'picture') }} with “{{ one.name }}”: which of yours is it?</span>
      <VAutocomplete :items="own[one.kind]" :model-value="null" :disabled="busy || call.isPending.value" density="compact" hide-details auto-select-first :placeholder="one.kind === 'body' ? 'one of your cameras' : 'one of your lenses'" :aria-label="`Your item for ${one.name}`" @update:model-value="told($event, one.name)" />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  max-height: 170px;
  overflow: auto;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
.v-autocomplete {
  flex: 0 1 260px;
  min-width: 180px;
}
</style>
