<script setup lang="ts">
/** Look back: what earned its place, what was missed, what the next plan should reckon with. */
import { computed, ref } from 'vue'
import TripFrame from '@/components/TripFrame.vue'
import TabRow from '@/components/TabRow.vue'
import { useBench } from '@/composables/useBench'
import { useLookBack } from '@/composables/useLookBack'
import { useUnits } from '@/composables/useSession'
import { day as dayName } from '@/format/dates'
import * as fmt from '@/format/units'
import { markText } from '@/wording/field'
import { againstText, lackText, rateText, wearText } from '@/wording/lookback'
import { many } from '@/wording/parts'
import FocalFrames from './FocalFrames.vue'
import NextTime from './NextTime.vue'
import ReadPictures from './ReadPictures.vue'

const props = defineProps<{ trip: string; kit: string }>()
const units = useUnits()
const { bench, error, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const { back, read, apply, done, total } = useLookBack(() => ({ trip: props.trip, kit: props.kit }))
const TABS = [
  { name: 'things', title: 'gear' },
  { name: 'days', title: 'days' },
  { name: 'rates', title: 'rates' },
  { name: 'plan', title: 'plan and trip' },
  { name: 'notes', title: 'missed, broken' },
] as const
const tab = ref<(typeof TABS)[number]['name']>('things')
const told = computed(() => back.value?.uses.filter((u) => u.told) ?? [])
const wants = computed(() => (back.value?.wants ?? []).map((w) => ({ ...w, name: names.value.want(w.want) })))
const titles = computed(() => new Map((bench.value?.trip.trip.days ?? []).map((d) => [d.date, d.title])))
const worn = computed(() => back.value?.wear.filter((w) => w.charges || w.cycles || w.health < 1) ?? [])
const empty = computed(() => back.value && !back.value.frames && !told.value.length)
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench && back" class="screen grid">
      <div class="left">
        <h1>Look back <span class="quiet">{{ many(back.frames, 'frame') }}{{ back.outside ? `, ${back.outside} on other days` : '' }}{{ back.undated ? `, ${back.undated} undated` : '' }}</span></h1>
        <p v-if="empty">Nothing noted on this trip yet, and no pictures read. Make notes in Trail; read pictures here.</p>
        <FocalFrames v-if="back.cells.length" :cells="back.cells" />
        <h2 v-if="wants.length">Shots, by their pictures</h2>
        <table v-if="wants.length">
          <thead><tr><th>shot</th><th class="number">frames</th><th class="number">days</th></tr></thead>
          <tbody><tr v-for="w in wants" :key="w.want"><td>{{ w.name }}<span v-if="back.frames && !w.frames" class="bad"> ▲ none</span></td><td class="number">{{ w.frames }}</td><td class="number">{{ w.days }}</td></tr></tbody>
        </table>
        <NextTime :back="back" :trip="trip" :names="names" />
        <ReadPictures :read="read" :done="done" :total="total" :unknown="back.unknown" />
      </div>
      <div class="right">
        <TabRow v-model="tab" class="tabs" way label="Lessons of the trip" :tabs="TABS" />
        <p v-if="tab === 'things' && !told.length" class="quiet">Make notes in Trail or read your pictures to see what you used, how often, and the grams carried per picture.</p>
        <table v-else-if="tab === 'things'">
          <thead><tr><th>item</th><th class="number">frames</th><th class="number">days</th><th class="number">mass per frame</th><th class="number">days used of days carried, all trips</th></tr></thead>
          <tbody>
            <tr v-for="u in told" :key="u.item">
              <td>{{ names.thing(u.item) }}{{ u.count > 1 ? ` × ${u.count}` : '' }}<span v-if="back.twice.includes(u.item)" class="bad"> ▲ not used, two trips running</span><span v-else-if="back.never.includes(u.item)" class="bad"> ▲ not used</span></td>
              <td class="number">{{ u.frames || '' }}</td>
              <td class="number">{{ u.days || '' }}</td>
              <td class="number">{{ u.grams_per_frame ? fmt.mass(u.grams_per_frame, units) : '' }}</td>
              <td class="number">{{ u.used_days }} of {{ u.carried_days }} days</td>
            </tr>
          </tbody>
        </table>
        <table v-else-if="tab === 'days'">
          <thead><tr><th>day</th><th class="number">frames</th><th>with</th></tr></thead>
          <tbody>
            <tr v-for="d in back.days" :key="d.date">
              <td>{{ dayName(d.date) }} <span class="quiet">{{ titles.get(d.date) ?? 'not a day of this trip' }}</span></td>
              <td class="number">{{ d.frames || '' }}</td>
              <td>{{ Object.entries(d.lenses).map(([item, n]) => `${names.thing(item)} ${n}`).join(', ') }}</td>
            </tr>
          </tbody>
        </table>
        <template v-else-if="tab === 'rates'">
          <table v-if="back.rates.length">
            <thead><tr><th>rate</th><th class="number">planned</th><th class="number">measured</th><th /></tr></thead>
            <tbody>
              <tr v-for="r in back.rates" :key="r.item + r.what">
                <td>{{ rateText(r, names.thing, units).head }} <div class="quiet">{{ rateText(r, names.thing, units).from }}</div></td>
                <td class="number">{{ rateText(r, names.thing, units).was }}</td>
                <td class="number"><b>{{ rateText(r, names.thing, units).now }}</b></td>
                <td><button v-if="r.before !== r.value" type="button" class="link" :disabled="apply.isPending.value" @click="apply.mutate(r)">Use it in plans</button><span v-else class="quiet">in the locker, measured</span></td>
              </tr>
            </tbody>
          </table>
          <table v-if="worn.length">
            <thead><tr><th>batteries</th><th class="number">charges on this trip</th><th class="number">charges in all</th><th class="number">capacity left</th></tr></thead>
            <tbody><tr v-for="w in worn" :key="w.item"><td>{{ wearText(w, names.thing).head }}</td><td class="number">{{ w.charges || '' }}</td><td class="number">{{ wearText(w, names.thing).cycles }}</td><td class="number">{{ wearText(w, names.thing).health }}</td></tr></tbody>
          </table>
          <p v-if="!back.rates.length" class="quiet">Note battery changes, full cards and copies in Trail: your next plan uses your own figures.</p>
        </template>
        <table v-else-if="tab === 'plan'">
          <thead><tr><th /><th class="number">planned</th><th class="number">happened</th></tr></thead>
          <tbody><tr v-for="a in back.against" :key="a.what + a.ref"><td>{{ againstText(a, names.thing, units).head }}</td><td class="number">{{ againstText(a, names.thing, units).planned }}</td><td class="number">{{ againstText(a, names.thing, units).happened }}</td></tr></tbody>
        </table>
        <template v-else>
          <p v-if="back.lacks.length">Missed most often: {{ back.lacks.slice(0, 3).map(lackText).join('; ') }}.</p>
          <p v-for="m in [...back.missed, ...back.faults, ...back.lent]" :key="m.id" class="note">{{ markText(m.what, names, units) }}</p>
          <p v-if="!back.missed.length && !back.faults.length && !back.lent.length" class="quiet">Nothing missed, broken or lent was noted.</p>
        </template>
      </div>
    </div>
    <p v-else-if="bench" class="screen quiet" role="status">Looking back…</p>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 40px;
  height: 100%;
}
.left,
.right {
  overflow: auto;
  min-height: 0;
}
.tabs {
  margin-bottom: 6px;
}
h2 {
  margin-top: 12px;
}
.note {
  border-bottom: 1px solid var(--line);
  padding: 5px 0;
  margin: 0;
}
p {
  margin: 4px 0;
}
.bad {
  color: var(--rust);
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: 1fr;
    height: auto;
  }
}
</style>
