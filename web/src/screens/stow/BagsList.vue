<script setup lang="ts">
/** Every bag with its spaces: how full, how heavy; what hangs outside; where a thing is. */
import { computed, ref } from 'vue'
import type { Assessment, Stowage } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { PIECE } from '@/wording/kinds'
import { weighedText } from '@/wording/scales'
import { findThing, type Find } from '@/wording/stow'

const props = defineProps<{ stowage: Stowage; loads: Assessment['loads']; room: string | null; names: Names }>()
const emit = defineEmits<{ choose: [room: string]; found: [find: Find] }>()
const units = useUnits()
const query = ref('')
const found = computed(() => findThing(props.stowage, query.value, props.names.thing))
const bags = computed(() => {
  const held = [...new Set(props.stowage.rooms.map((r) => r.bag))]
  return held.map((bag) => {
    const piece = props.loads.pieces.find((p) => p.bag === bag)
    return {
      bag,
      under: piece ? `${PIECE[piece.piece]}, ${props.names.person(piece.person)}` : 'insert',
      total: props.loads.bags.find((b) => b.bag === bag),
      rooms: props.stowage.rooms.filter((r) => r.bag === bag),
      outside: props.stowage.strapped.filter((s) => s.bag === bag),
    }
  })
})
</script>

<template>
  <div class="list">
    <section v-for="b in bags" :key="b.bag" :aria-label="names.thing(b.bag)">
      <h2>{{ names.thing(b.bag) }} <span class="quiet">{{ b.under }}</span><span class="grow" /><span v-if="b.total" class="figure">{{ fmt.load(b.total.total_g, units) }}</span></h2>
      <p v-if="b.total && weighedText(b.total, units)" class="label">{{ weighedText(b.total, units) }}</p>
      <button v-for="r in b.rooms" :key="r.room" type="button" class="room" :aria-pressed="r.room === room" @click="emit('choose', r.room)">
        <span>{{ r.compartment === null ? 'inside' : r.name.toLowerCase() }}</span>
        <span class="bar" aria-hidden="true"><span :style="{ width: fmt.percent(r.fill).replace(' ', '') }" /></span>
        <span class="figure">{{ fmt.percent(r.fill) }}</span>
      </button>
      <p v-for="s in b.outside" :key="s.item" class="label">outside: {{ names.thing(s.item) }}</p>
    </section>
    <section class="find">
      <VTextField v-model="query" label="Where is…" clearable />
      <p v-if="query && !found.length" class="quiet">Nothing of that name is packed.</p>
      <button v-for="f in found" :key="f.item + f.where" type="button" class="hit" @click="emit('found', f)"><b>{{ f.item }}</b> {{ f.where }}</button>
    </section>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 14px;
  padding-right: 6px;
}
h2 {
  display: flex;
  gap: 6px;
  align-items: baseline;
  margin-bottom: 3px;
}
.figure {
  font-variant-numeric: tabular-nums;
  font-stretch: var(--narrow);
}
.room {
  display: grid;
  grid-template-columns: 1fr 54px 40px;
  gap: 8px;
  align-items: center;
  width: 100%;
  text-align: left;
  padding: 4px 6px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
}
.room .figure {
  text-align: right;
}
.room[aria-pressed='true'] {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--saddle);
  font-weight: 700;
}
.bar {
  height: 6px;
  background: var(--line);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--saddle);
}
.hit {
  display: block;
  width: 100%;
  text-align: left;
  padding: 5px 0;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
}
.label {
  margin: 3px 6px;
}
</style>
