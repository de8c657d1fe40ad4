<script setup lang="ts">
/** The day's bag: what leaves the base each morning, what it reaches, what is amiss with it, and better ways to go. */
import { computed, nextTick, ref, watch, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import type { DayBag, Edit, OutingAsked } from '@/api/types'
import TripFrame from '@/components/TripFrame.vue'
import { useBench } from '@/composables/useBench'
import { useDayAdvice, useDays, useProposals } from '@/composables/useDays'
import { useOuting } from '@/composables/useOuting'
import { day as dayName } from '@/format/dates'
import { alike, asOuting, summaryText, wantText } from '@/wording/outings'
import DayColumns from './DayColumns.vue'
import DayPanel from './DayPanel.vue'
import { lightestKnown } from './known'
import ShareCurve from './ShareCurve.vue'
import WaysToGo from './WaysToGo.vue'

const props = defineProps<{ trip: string; kit: string }>()
const router = useRouter()
const { bench, at, error, things, stow: keepStow, editLoadout, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const chosen = ref<string[]>([])
// Only a day with a bag of its own has cures to look for.
const on = ref('')
// What stays is only asked about where a bag of its own goes out, and the trip says where the base is.
const { byDays, cures, base } = useDays(at, on, () => (on.value && (day.value?.base ?? bench.value?.trip.trip.base) ? on.value : ''))
const days = computed(() => bench.value?.trip.trip.days ?? [])
const people = computed(() => bench.value?.trip.trip.people ?? [])
const person = ref('')
const share = ref(1)
/** The chosen day; before anybody chose, the first one whose bag is amiss. */
const first = computed(() => chosen.value[0] ?? byDays.value?.days.find((d) => d.findings.some((f) => f.severity !== 'note'))?.date ?? days.value[0]?.date ?? '')
const picked = computed(() => (chosen.value.length ? chosen.value : first.value ? [first.value] : []))
const bag = computed(() => byDays.value?.days.find((d) => d.date === first.value))
const day = computed(() => days.value.find((d) => d.date === first.value))
watchEffect(() => {
  on.value = bag.value?.loadout ? first.value : ''
})
const stow = computed(() => bench.value?.state.kit.stow)
const loadouts = computed(() => stow.value?.loadouts ?? [])
const { outing } = useOuting(at, () => bag.value?.loadout ?? '')
const when = ref<'morning' | 'evening' | 'first'>('morning')
const worth = useDayAdvice(at, () => (when.value === 'first' ? on.value : ''))
const others = computed(() => alike(days.value, first.value))
const { found, asked, problem, running, whole, start, stop, forget } = useProposals(() => at.value)
const curve = useProposals(() => at.value, true)
const way = ref(0)
const ways = computed(() => found.value.map((made) => lightestKnown(made, curve.found.value)))
const proposal = computed(() => ways.value[way.value] ?? null)
const bearer = computed(() => person.value || bag.value?.heaviest || people.value[0]?.id || '')
/** What the bearer carries well, for the line in the chart. */
const well = computed(() => {
  const kg = people.value.find((p) => p.id === bag.value?.heaviest)?.carries_well_kg
  return kg ? kg * 1000 : null
})
const SHARES = [1, 0.9, 0.8, 0.65, 0.5]

function bagName(of: DayBag): string {
  return of.loadout ? (loadouts.value.find((l) => l.id === of.loadout)?.name ?? of.loadout) : 'all that travels'
}
function choose(date: string, several: boolean): void {
  const next = several ? (picked.value.includes(date) ? picked.value.filter((d) => d !== date) : [...picked.value, date].sort()) : [date]
  chosen.value = next.length ? next : [date]
}
function propose(): void {
  way.value = 0
  const wish: OutingAsked = { days: picked.value, person: bearer.value, share: share.value, way: 'any', bag: null, seconds: 20 }
  const drawn = curve.asked.value !== null
  // How light it could be for less is told after what was asked for.
  void start(wish).then(() => (drawn ? undefined : curve.start({ ...wish, share: 1 })))
}
function pickShare(to: number): void {
  share.value = to
  void nextTick(propose)
}
function mend(edits: Edit[]): void {
  if (bag.value?.loadout) editLoadout(bag.value.loadout, edits)
}
function take(): void {
  if (!proposal.value || !asked.value || !stow.value) return
  const made = asOuting(loadouts.value, proposal.value, asked.value.days, day.value?.title ?? 'Day out')
  keepStow({ ...stow.value, loadouts: made.loadouts }, forget)
}
// What was found is about these days and this kit.
watch([() => picked.value.join(), () => props.kit, share, bearer], forget)
watch([() => picked.value.join(), () => at.value?.stamp, bearer], curve.forget)
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench && byDays && byDays.days.length && bag && day" class="screen grid stacks">
      <div class="left">
        <header>
          <h1>The day’s bag <span class="quiet">the load for each day, and the shots it reaches</span></h1>
          <p class="quiet">{{ summaryText(byDays) }}</p>
        </header>
        <DayColumns :by-days="byDays" :days="days" :names="names" :chosen="picked" :well="well" :bag-name="bagName" @choose="choose" />
        <section class="propose" aria-label="Ways to go out">
          <h2>
            {{ picked.length > 1 ? `One bag for ${picked.map((d) => dayName(d)).join(', ')}` : `For ${dayName(first)}` }}
            <button v-if="others.length > 1 && picked.length < others.length" type="button" class="link" @click="chosen = [...others]">all {{ others.length }} days like it</button>
          </h2>
          <div class="asks">
            <label v-if="people.length > 1">on <select v-model="person" aria-label="Who carries it"><option value="">{{ names.person(bearer) }}</option><option v-for="p in people.filter((p) => p.id !== bearer)" :key="p.id" :value="p.id">{{ p.name }}</option></select></label>
            <label>covering <select v-model.number="share" aria-label="Share of the shots to cover"><option v-for="s in SHARES" :key="s" :value="s">{{ s === 1 ? 'as much as everything that travels' : `at least ${Math.round(100 * s)} % of that` }}</option></select></label>
            <VBtn v-if="!running" color="primary" variant="flat" @click="propose">Propose the lightest bag</VBtn>
            <VBtn v-else variant="outlined" @click="stop">Stop</VBtn>
          </div>
          <p v-if="problem" class="bad" role="alert">{{ problem.title }}</p>
          <ShareCurve v-if="curve.found.value.length > 1" :points="curve.found.value" :share="share" @pick="pickShare" />
          <WaysToGo v-if="found.length || running" :ways="ways" :picked="way" :things="things" :names="names" :running="running" @pick="way = $event" />
          <p v-else-if="whole" class="quiet">No bag of this trip was found that takes one of that day’s shots.</p>
          <p v-else class="quiet">The lightest bag packed from this trip’s gear: batteries and cards for those days in that cold, tripod and filters where a shot needs them. Safety gear, water and a rain cover always go along.</p>
        </section>
        <section aria-label="Shots by day">
          <h2>Shots by day</h2>
          <ul class="lines"><li v-for="w in byDays.wants" :key="w.want">{{ wantText(w, names) }}</li></ul>
        </section>
      </div>
      <DayPanel v-model:when="when" class="right" :bag="bag" :day="day" :bag-name="bagName(bag)" :outing="outing" :cures="cures" :base="base" :names="names" :busy="busy" :proposal="proposal" :several="picked.length" :worth="worth" :wants="bench.trip.trip.wants ?? []" @cure="mend" @take="take" @edit="router.push({ name: 'stow', params: { trip, kit } })" />
    </div>
    <p v-else-if="bench && !days.length" class="screen quiet">The trip has no days yet. <RouterLink :to="{ name: 'brief', params: { trip, kit } }">Add them in the Brief</RouterLink>, and each day’s bag is checked here.</p>
    <p v-else-if="bench" class="screen quiet" role="status">Looking at each day…</p>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 26px;
  height: 100%;
}
.left,
.right {
  min-height: 0;
}
.left {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
header p {
  margin: 0;
}
.asks {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  margin: 4px 0 8px;
}
.propose > p {
  margin: 4px 0 0;
}
</style>
