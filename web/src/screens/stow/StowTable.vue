<script setup lang="ts">
/** The plain table behind the drawings: every thing, its space, its corner and sides. */
import { computed } from 'vue'
import type { Stowage } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { blockName, reach, roomName } from '@/wording/stow'

const props = defineProps<{ stowage: Stowage; names: Names }>()
const units = useUnits()
const rows = computed(() =>
  props.stowage.rooms.flatMap((room) => [
    ...props.stowage.placed.filter((p) => p.room === room.room).map((p) => ({ key: room.room + p.block, name: blockName(p, props.names.thing), where: roomName(room, props.names.thing), at: p.at_mm.map((v) => fmt.figure(v)).join(', '), size: fmt.sides(p.size_mm, units.value), mass: fmt.load(p.mass_g, units.value), reach: reach(p, room) })),
    ...props.stowage.soft.filter((s) => s.room === room.room).map((s) => ({ key: room.room + s.item, name: `${props.names.thing(s.item)}${s.count > 1 ? ` × ${s.count}` : ''}`, where: roomName(room, props.names.thing), at: 'soft', size: fmt.volume(s.litres, units.value), mass: fmt.load(s.mass_g, units.value), reach: '' })),
  ]),
)
</script>

<template>
  <div class="tables">
    <table>
      <caption class="quiet">Corners in mm from the bottom of the bag's back: up, across, out</caption>
      <thead><tr><th>item</th><th>where</th><th class="number">corner</th><th class="number">size</th><th class="number">mass</th><th>to reach it</th></tr></thead>
      <tbody>
        <tr v-for="r in rows" :key="r.key"><td>{{ r.name }}</td><td>{{ r.where }}</td><td class="number">{{ r.at }}</td><td class="number">{{ r.size }}</td><td class="number">{{ r.mass }}</td><td>{{ r.reach }}</td></tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.tables {
  overflow: auto;
}
caption {
  text-align: left;
}
</style>
