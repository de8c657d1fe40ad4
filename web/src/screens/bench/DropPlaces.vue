<script setup lang="ts">
/** While a thing is dragged from the mat: the places it can be dropped into. */
import { computed, ref } from 'vue'
import type { Entry, Place, Thing, Trip } from '@/api/types'
import { placeKey, placesFor } from '@/wording/choices'

const props = defineProps<{ thing: Thing; things: Map<string, Thing>; entries: Map<string, Entry[]>; people: NonNullable<Trip['people']> }>()
const emit = defineEmits<{ put: [place: Place] }>()
const over = ref('')
const choices = computed(() => placesFor(props.thing, props.things, props.entries, props.people))
const now = computed(() => new Set((props.entries.get(props.thing.id) ?? []).map((e) => placeKey(e.place))))
</script>

<template>
  <section class="places" aria-label="Drop it into">
    <p class="label">Drop {{ thing.name }}</p>
    <button v-for="c in choices" :key="placeKey(c.place)" type="button" class="place" :class="{ over: over === placeKey(c.place) }" @dragenter.prevent="over = placeKey(c.place)" @dragover.prevent @drop.prevent="emit('put', c.place)" @click="emit('put', c.place)">
      <b>{{ c.title }}</b><span v-if="now.has(placeKey(c.place))" class="quiet">it is here</span>
    </button>
  </section>
</template>

<style scoped>
.places {
  position: absolute;
  inset: 0;
  z-index: 5;
  overflow: auto;
  padding: 10px 12px;
  background: var(--paper);
  border: 1px dashed var(--saddle);
  border-radius: var(--corner);
}
.place {
  display: flex;
  justify-content: space-between;
  width: 100%;
  font: inherit;
  color: var(--ink);
  text-align: left;
  gap: 10px;
  padding: 12px;
  margin-top: 8px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--corner);
}
.over {
  border-color: var(--saddle);
  outline: 2px solid var(--saddle);
}
.place > * {
  pointer-events: none;
}
</style>
