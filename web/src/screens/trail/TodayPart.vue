<script setup lang="ts">
/** Today: the bag of the day to tick before the door and back in the evening, its mass on each back, light and water. */
import { computed, ref } from 'vue'
import type { Assessment, Day, DayOnFoot, Edit, Entry, Loadout, Outing, Person, Thing } from '@/api/types'
import OnFoot from '@/components/OnFoot.vue'
import TabRow from '@/components/TabRow.vue'
import TickRow from '@/components/TickRow.vue'
import type { Names } from '@/wording/names'
import type { useField } from '@/composables/useField'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { clock } from '@/format/dates'
import { ticked, toggled } from '@/field/subjects'
import { alongNow, asEdits, atTheBase, changedOuting, changeText, doorList, type Along } from '@/wording/loadouts'
import { hours } from '@/wording/stamina'

const props = defineProps<{ date: string; day: Day | undefined; loadout: Loadout | undefined; outing: Outing | undefined; walk: DayOnFoot | null; entries: Entry[]; field: ReturnType<typeof useField>; assessment: Assessment; people: Person[]; things: Map<string, Thing>; busy: boolean; names: Names }>()
const emit = defineEmits<{ keep: [edits: Edit[], settle: () => void] }>()
const units = useUnits()
/** Half a litre for each hour of walking with a load (estimate). */
const WATER_L_H = 0.5
const loads = computed(() => (props.outing?.loads ?? props.assessment.loads).people)
const light = computed(() => props.assessment.sky.find((s) => s.date === props.day?.date))
const when = ref<'out' | 'back' | 'change'>('out')
/** What goes along, as it was changed on the way: noted like every mark, network or not. */
const along = computed(() => (props.outing ? alongNow(props.date, props.outing, props.field.stands.value) : []))
const changes = computed(() => along.value.filter((a) => a.now !== a.planned))
const now = computed(() => (props.outing ? changedOuting(props.outing, along.value, props.entries) : undefined))
/** What can go or stay by itself: not the bag that everything goes into, nor bags and inserts left with what is in them. */
const loose = computed(() => along.value.filter((a) => !['bag', 'insert'].includes(props.things.get(a.item)?.kind ?? '')))
/** Each tap is one piece more, and after the last of them none. */
function alongText(a: Along): string {
  const [is, next] = [a.now ? 'goes along' : 'stays at the base', a.now < a.most ? 'one more' : 'none']
  return a.most > 1 ? `${is}; tap for ${next}` : is
}
function change(a: Along, count: number | null): void {
  void props.field.mark({ do: 'along', day: props.date, item: a.item, count: count === a.planned ? null : count })
}
/** Into the plan, for all days of this bag; then nothing is changed against it any more. */
function keep(): void {
  const settled = changes.value
  emit('keep', asEdits(settled), () => settled.forEach((a) => change(a, null)))
}
/** What leaves the room, each with where it goes; in the evening the same, each with where it came from. */
const lines = computed(() => (now.value && when.value !== 'change' ? doorList(when.value, props.date, now.value, props.names) : []))
const open = computed(() => lines.value.filter((l) => !ticked(props.field.stands.value, l.line)).length)
const stays = computed(() => (now.value ? atTheBase(now.value.stays, props.entries, props.names) : []))
const water = computed(() => (props.day?.on_foot_h ?? 0) * WATER_L_H)
</script>

<template>
  <section aria-label="Today">
    <h2>{{ loadout ? loadout.name : 'Everything, as packed' }}</h2>
    <p v-for="p in loads" :key="p.person"><b>{{ names.person(p.person) }}’s back</b> {{ fmt.load(p.carried_g, units) }}<template v-if="p.share !== null && p.share !== undefined">, {{ fmt.percent(p.share) }} of body mass</template></p>
    <template v-if="outing">
      <TabRow v-model="when" label="When" :tabs="[{ name: 'out', title: 'going out' }, { name: 'back', title: 'coming back' }, { name: 'change', title: 'change' }]"><span v-if="when !== 'change'" class="label" role="status">{{ open ? `${open} of ${lines.length} to tick` : 'all ticked' }}</span></TabRow>
      <p v-if="changes.length" class="changed">
        <b>Changed on the way:</b> {{ changes.map((a) => changeText(a, (i) => things.get(i)?.mass_g ?? 0, names, units)).join('; ') }}.
        <button type="button" class="link" :disabled="busy || field.away.value" @click="keep">save to the plan</button> or
        <button type="button" class="link" @click="changes.forEach((a) => change(a, null))">back to the plan</button>
      </p>
      <ul v-if="when === 'change'" class="lines">
        <li v-for="a in loose" :key="a.item"><TickRow large choice :done="a.now > 0" :head="`${names.thing(a.item)}${a.most > 1 ? `, ${a.now} of ${a.most}` : ''}`" :body="alongText(a)" @tick="change(a, a.now < a.most ? a.now + 1 : 0)" /></li>
      </ul>
      <ul v-else class="lines">
        <li v-for="l in lines" :key="l.line"><TickRow large :done="ticked(field.stands.value, l.line)" :head="l.head" :body="l.body" @tick="field.mark(toggled(l.line))" /></li>
      </ul>
      <p v-if="stays.length && when !== 'change'" class="quiet"><b>Stays at the base:</b> {{ stays.join('; ') }}.</p>
    </template>
    <p v-else class="quiet">No loadout for this day. Make one in Stow to see the day’s bag here.</p>
    <OnFoot v-if="walk && day?.walk" :walk="walk" :goal="day.walk" :names="names" />
    <template v-if="day">
      <h2>Light and water</h2>
      <dl class="facts">
        <template v-if="light">
          <dt>sun</dt><dd>{{ light.sunrise && light.sunset ? `rises ${clock(light.sunrise)}, sets ${clock(light.sunset)}` : `${hours(light.sun_h)} of sun` }}</dd>
          <dt>daylight for walking</dt><dd>{{ light.first_light && light.last_light ? `${clock(light.first_light)}–${clock(light.last_light)}` : 'no change' }}</dd>
          <dt>dark</dt><dd>{{ hours(light.dark_h) }}, moon {{ fmt.percent(light.moon_lit) }} lit</dd>
        </template>
        <dt>coldest hour planned</dt><dd>{{ fmt.temperature(day.lowest_c ?? 15, units) }}</dd>
        <template v-if="water && !walk"><dt>water</dt><dd>about {{ fmt.volume(water, units) }} each for {{ hours(day.on_foot_h ?? 0) }} on foot</dd></template>
      </dl>
      <p v-if="!walk" class="quiet">Water is an estimate: more in heat and height. Follow local rules, warnings and trained guides; turn back in time for the light.</p>
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
.changed {
  border-left: 3px solid var(--ochre);
  padding-left: 8px;
}
</style>
