<script setup lang="ts">
/** Today: the bag of the day, its mass on each back, light and water. */
import { computed } from 'vue'
import type { Assessment, Day, Loadout, Outing, Person } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { clock } from '@/format/dates'
import { placeName } from '@/wording/loadouts'
import { hours } from '@/wording/stamina'

const props = defineProps<{ day: Day | undefined; loadout: Loadout | undefined; outing: Outing | undefined; assessment: Assessment; people: Person[]; names: Names }>()
const units = useUnits()
/** Half a litre for each hour of walking with a load (estimate). */
const WATER_L_H = 0.5
const loads = computed(() => (props.outing?.loads ?? props.assessment.loads).people)
const light = computed(() => props.assessment.sky.find((s) => s.date === props.day?.date))
const things = computed(() => props.outing?.kit.entries ?? [])
const water = computed(() => (props.day?.on_foot_h ?? 0) * WATER_L_H)
</script>

<template>
  <section aria-label="Today">
    <h2>{{ loadout ? loadout.name : 'Everything, as packed' }}</h2>
    <p v-for="p in loads" :key="p.person"><b>{{ names.person(p.person) }}</b> {{ fmt.load(p.carried_g, units) }}<template v-if="p.share !== null && p.share !== undefined">, {{ fmt.percent(p.share) }} of body mass</template></p>
    <ul v-if="things.length">
      <li v-for="e in things" :key="e.item + JSON.stringify(e.place)"><b>{{ names.thing(e.item) }}{{ (e.count ?? 1) > 1 ? ` × ${e.count}` : '' }}</b> <span class="quiet">{{ placeName(e.place, names) }}</span></li>
    </ul>
    <p v-else class="quiet">No loadout names this day. Make one at Stow, and the day's bag stands here.</p>
    <template v-if="day">
      <h2>Light and water</h2>
      <dl class="facts">
        <template v-if="light">
          <dt>sun</dt><dd>{{ light.sunrise && light.sunset ? `rises ${clock(light.sunrise)}, sets ${clock(light.sunset)}` : `${hours(light.sun_h)} of sun` }}</dd>
          <dt>light to walk by</dt><dd>{{ light.first_light && light.last_light ? `${clock(light.first_light)}–${clock(light.last_light)}` : 'no change' }}</dd>
          <dt>dark</dt><dd>{{ hours(light.dark_h) }}, moon {{ fmt.percent(light.moon_lit) }} lit</dd>
        </template>
        <dt>coldest planned</dt><dd>{{ fmt.temperature(day.lowest_c ?? 15, units) }}</dd>
        <template v-if="water"><dt>water</dt><dd>about {{ fmt.volume(water, units) }} each for {{ hours(day.on_foot_h ?? 0) }} on foot</dd></template>
      </dl>
      <p class="quiet">Water is an estimate: more in heat and height. Follow local rules, warnings and trained guides; turn back in time for the light.</p>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 8px;
}
p {
  margin: 4px 0;
}
ul {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
</style>
