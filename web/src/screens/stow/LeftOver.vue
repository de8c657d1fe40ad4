<script setup lang="ts">
/** What found no place, drawn to scale beside the bag, with what would help; and whether the alternatives of slots would fit. */
import { computed } from 'vue'
import type { Edit, LeftOver, Slot, Stowage, Thing } from '@/api/types'
import type { Names } from '@/wording/names'
import { silhouettes } from '@/drawing/stow'
import { groupOf } from '@/wording/kinds'
import { alternativeText, leftHead } from '@/wording/stow'

const props = defineProps<{ stowage: Stowage; slots: Slot[]; loaded: Thing[]; names: Names; running: boolean; busy: boolean }>()
const emit = defineEmits<{ mend: [edits: Edit[]]; again: [] }>()
const WIDE = 276
const drawn = computed(() => {
  const things = props.stowage.left.flatMap((over) => props.loaded.find((t) => t.id === over.item) ?? [])
  return silhouettes(things, WIDE)
})
const head = computed(() => (props.stowage.left.length ? 'Left over' : props.running ? 'Packing…' : 'Everything has a place'))
const checked = computed(() => (props.stowage.left.length || props.running ? '' : props.stowage.checked ? 'checked: nothing overlaps or sticks out' : 'check failed: do not rely on this layout'))
const bags = computed(() => new Set(props.stowage.rooms.map((r) => r.bag)).size)
/** What no other bag took, said only as far as it was tried. */
function elsewhere(over: LeftOver): string {
  if (bags.value < 2) return ' No other bag is loaded.'
  return over.tried ? ' No other bag of this kit takes it.' : ' Not every other bag was tried.'
}
const ranOut = computed(() => !props.running && props.stowage.left.some((over) => over.proof === 'ran-out' && over.why !== 'stays'))
function move(over: LeftOver, bag: string): void {
  emit('mend', [{ act: 'move', item: over.item, place: { where: 'bag', bag, outside: false } }])
}
</script>

<template>
  <section aria-label="Left over" aria-live="polite">
    <h2>{{ head }} <span class="quiet">{{ checked }}</span></h2>
    <p v-if="ranOut" class="bad">Time ran out: the rest may still fit. <button type="button" class="link" @click="emit('again')">Pack again with more time</button></p>
    <svg v-if="drawn.shapes.length" :width="WIDE" :height="drawn.height" role="img" aria-label="Items left over, drawn to one scale">
      <g v-for="s in drawn.shapes" :key="s.item">
        <title>{{ names.thing(s.item) }}</title>
        <rect class="out" :class="groupOf(s.kind)" :x="s.x" :y="s.y" :width="s.width" :height="s.height" :rx="s.round ? s.height / 3 : 2" />
      </g>
    </svg>
    <div v-for="over in stowage.left" :key="over.bag + over.item + over.why" class="over">
      <b>{{ leftHead(over, names.thing) }}</b>
      <template v-for="(help, index) in over.helps" :key="help.room">
        {{ index ? ' or ' : ' ' }}<button type="button" class="link" :disabled="busy" @click="move(over, help.bag)">Move it to {{ names.thing(help.bag) }}</button><template v-if="help.disturbs">, where ticked items would have to move</template>
      </template>
      <template v-if="!over.helps?.length">{{ elsewhere(over) }}</template>
      <template v-if="over.owned?.length"> At home you have {{ over.owned.map(names.thing).join(' and ') }}, which would take it.</template>
    </div>
    <p v-for="a in stowage.alternatives" :key="a.slot + a.item" :class="a.fits ? 'quiet' : 'bad'">{{ alternativeText(a, slots, names.thing) }}</p>
  </section>
</template>

<style scoped>
.over {
  background: var(--sheet);
  border-left: 4px solid var(--rust);
  padding: 8px 10px;
  margin-top: 6px;
}
.out {
  fill: var(--thing);
  stroke: var(--rust);
  stroke-width: 1.5;
}
.power {
  fill: var(--thing-power);
}
.cards {
  fill: var(--thing-cards);
}
svg {
  display: block;
  margin-top: 6px;
}
p {
  margin: 4px 0 0;
}
.bad {
  color: var(--rust);
}
</style>
