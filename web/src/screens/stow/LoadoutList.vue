<script setup lang="ts">
/** Loadouts to choose from, what the chosen one weighs, and what moves to it. */
import { computed } from 'vue'
import type { Loadout, Outing } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { moveText } from '@/wording/loadouts'

const props = defineProps<{ loadouts: Loadout[]; chosen: string; outing: Outing | undefined; editing: boolean; busy: boolean; names: Names }>()
const emit = defineEmits<{ choose: [loadout: string]; add: []; edit: [] }>()
const units = useUnits()
const out = computed(() => (props.chosen && props.outing?.loadout === props.chosen ? props.outing : null))
const carried = computed(() => out.value?.loads.people.filter((p) => p.carried_g - p.base_g > 0) ?? [])
/** What goes along; what stays is one line. */
const moves = computed(() => out.value?.moves.filter((m) => m.to_place) ?? [])
const stays = computed(() => Object.keys(out.value?.stays ?? {}).length)
</script>

<template>
  <section aria-label="Loadouts">
    <h2><span>Loadouts <RouterLink class="link" :to="{ name: 'days' }">day by day</RouterLink></span> <button type="button" class="link" :disabled="busy || loadouts.length >= 20" @click="emit('add')">add</button></h2>
    <button type="button" class="one" :aria-pressed="chosen === ''" @click="emit('choose', '')">Transit, as packed</button>
    <button v-for="l in loadouts" :key="l.id" type="button" class="one" :aria-pressed="chosen === l.id" @click="emit('choose', l.id)">{{ l.name }}</button>
    <template v-if="out">
      <p v-for="p in carried" :key="p.person">{{ names.person(p.person) }}’s back: <b>{{ fmt.load(p.carried_g, units) }}</b><template v-if="p.share !== null && p.share !== undefined">, {{ fmt.percent(p.share) }} of body mass</template></p>
      <p><button type="button" class="link" :aria-pressed="editing" @click="emit('edit')">{{ editing ? 'Done' : 'Choose what goes along' }}</button></p>
      <h2 v-if="moves.length">Moves from transit</h2>
      <ul>
        <li v-for="m in moves" :key="JSON.stringify(m)">{{ moveText(m, names) }}</li>
      </ul>
      <p v-if="stays" class="quiet">{{ stays }} other items stay at the base.</p>
    </template>
  </section>
</template>

<style scoped>
h2 {
  display: flex;
  justify-content: space-between;
}
.one {
  display: block;
  width: 100%;
  text-align: left;
  padding: 4px 6px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
}
.one[aria-pressed='true'] {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--saddle);
  font-weight: 700;
}
ul {
  margin: 2px 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 2px 0;
  color: var(--muted);
}
p {
  margin: 4px 0;
}
</style>
