<script setup lang="ts">
/** Suggest: the best kits from light to complete, as they are found. */
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Asking, Marks } from '@/api/types'
import type { Axis } from '@/drawing/curve'
import NumberField from '@/components/NumberField.vue'
import TripFrame from '@/components/TripFrame.vue'
import { useAdvice } from '@/composables/useAdvice'
import { useBench, useKits } from '@/composables/useBench'
import { useChoice } from '@/composables/useChoice'
import { useCompare } from '@/composables/useCompare'
import { notify } from '@/composables/useNotice'
import { useUnits } from '@/composables/useSession'
import { useThought } from '@/composables/useThought'
import { useTrips } from '@/composables/useTrips'
import * as fmt from '@/format/units'
import { reasonText, whyAbove } from '@/wording/reasons'
import { inTurn } from '@/wording/searches'
import KeptThings from './KeptThings.vue'
import { cameTo } from './point'
import PointPanel from './PointPanel.vue'
import StepBars from './StepBars.vue'
import TradeCurve from './TradeCurve.vue'

const props = defineProps<{ trip: string; kit: string }>()
const router = useRouter()
const units = useUnits()
const { bench, at, error, things, loaded, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const brief = computed(() => bench.value?.trip.trip)
const { points, choice, kept, problem, running, wanted, ahead, replaced, start, stop } = useChoice(
  () => props.trip,
  () => props.kit,
)
const { save } = useTrips()
const { add } = useKits(() => props.trip)

const limit = ref<number | null>(null)
const keepLimits = ref(true)
const others = ref(false)
const byDays = ref(false)
const openBags = ref(false)
/** What the curve is drawn over: everything carried, or the heaviest of the days' bags. */
const axis = ref<Axis>('carried')
/** Things the choice would keep, and need not. */
const mayLeave = ref<string[]>([])
const chosenMass = ref<number | null>(null)
function search(): void {
  // Each kit is tried day by day, or in many bags: that takes its time.
  const seconds = byDays.value || openBags.value ? 120 : 60
  const asking: Partial<Asking> = { points: 20, seconds, keep_limits: keepLimits.value, others: others.value, limit_g: limit.value, may_leave: mayLeave.value, by_days: byDays.value, open_bags: openBags.value }
  void start(asking)
}
onMounted(search)
watch([keepLimits, others, mayLeave, byDays, openBags], search)
watch(byDays, (on) => {
  if (!on) axis.value = 'carried'
})
watch(
  () => props.kit,
  () => (mayLeave.value = []),
)

/** The point that is looked at: the one picked, or the heaviest so far. */
const chosen = computed(() => {
  if (!points.value.length) return 0
  const target = chosenMass.value ?? Infinity
  return points.value.reduce((best, p, i) => (Math.abs(p.carried_g - target) < Math.abs((points.value[best]?.carried_g ?? 0) - target) ? i : best), target === Infinity ? points.value.length - 1 : 0)
})
const point = computed(() => points.value[chosen.value])
function choose(index: number): void {
  chosenMass.value = points.value[index]?.carried_g ?? null
}
const { thought, stands } = useThought(at, () => (point.value ? { entries: point.value.kit.entries ?? [] } : null))
const told = useAdvice(at)
const others4 = computed(() => (bench.value?.kits ?? []).map((k) => k.id).slice(0, 4))
const { comparison } = useCompare(() => props.trip, others4)
const present = computed(() => {
  const now = bench.value?.state.assessment
  if (!now || !loaded.value.size) return []
  const mine = { id: props.kit, name: `${props.kit.toUpperCase()}, now`, carried_g: now.loads.carried_g, score: now.coverage.score }
  const rest = comparison.value?.sides.filter((s) => s.kit !== props.kit) ?? []
  return [mine, ...rest.map((s) => ({ id: s.kit, name: s.kit.toUpperCase(), carried_g: s.carried_g, score: s.score }))].filter((k) => k.score > 0)
})
const says = computed(() => {
  if (running.value && ahead.value) return inTurn(ahead.value)
  if (running.value) return `${points.value.length} of ${wanted.value} found`
  if (replaced.value) return 'another search of yours took its place'
  return problem.value || choice.value?.conflict.length ? '' : cameTo(points.value, wanted.value, choice.value)
})

/** Who has not said what they carry well. */
const unsaid = computed(() => (brief.value?.people ?? []).filter((p) => !p.carries_well_kg).map((p) => p.name))
const above = computed(() => (choice.value?.own ?? []).filter((o) => o.above).map((o) => whyAbove(o, bench.value?.kits.find((k) => k.id === o.kit)?.name ?? o.kit, names.value, units.value)))

async function mark(marks: Marks): Promise<void> {
  const doc = bench.value?.trip
  if (!doc) return
  try {
    await save.mutateAsync({ version: doc.version, trip: { ...doc.trip, marks } })
    search()
  } catch (failed) {
    notify(failed as Error)
  }
}
async function take(): Promise<void> {
  if (!point.value) return
  try {
    const made = await add.mutateAsync({ name: `Suggested, ${fmt.load(point.value.carried_g, units.value)}`, entries: point.value.kit.entries })
    await router.push({ name: 'bench', params: { trip: props.trip, kit: made.id } })
  } catch (failed) {
    notify(failed as Error)
  }
}
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="brief && bench" class="screen grid">
      <div class="left">
        <header class="panel-head">
          <h1>Suggest <span class="quiet">the best kit for each mass</span></h1>
          <span class="quiet" role="status">{{ says }}</span>
          <button v-if="running" type="button" class="link" @click="stop">stop</button>
          <button v-else type="button" class="link" @click="search">search again</button>
          <RouterLink class="link" :to="{ name: 'bags', params: { trip, kit } }">choose bags</RouterLink>
          <RouterLink class="link" :to="{ name: 'bench', params: { trip, kit } }">back to the bench</RouterLink>
        </header>
        <div class="asks">
          <NumberField v-model="limit" class="limit" label="At most" quantity="load" @keydown.enter="search" />
          <VCheckbox v-model="keepLimits" label="Within carrier, weight and space limits" />
          <VCheckbox v-model="others" label="Include gear to rent or borrow" />
          <VCheckbox v-model="openBags" label="Choose bags too" />
          <VCheckbox v-if="brief.days?.length" v-model="byDays" label="Check every day’s carry" />
          <label v-if="byDays" class="axis">drawn over <select v-model="axis" aria-label="Horizontal axis of the curve"><option value="carried">everything carried</option><option value="day">the heaviest day’s bag</option></select></label>
        </div>
        <p v-if="byDays" class="label">{{ unsaid.length ? `Add a comfortable load for ${unsaid.join(' and ')} in the Brief to leave out kits that are too heavy for a day.` : 'Only kits whose every day’s bag is a comfortable load for somebody: the lightest single bag that still covers nine tenths of what the whole kit could.' }}</p>
        <div v-if="problem" class="answer" role="alert">
          <b>{{ problem.title }}</b>
          <p v-for="field in problem.fields" :key="field.field">{{ field.rule }}.</p>
        </div>
        <div v-else-if="choice?.conflict.length" class="answer" role="alert">
          <b>No kit meets all of these.</b>
          <ul>
            <li v-for="reason in choice.conflict" :key="JSON.stringify(reason)">{{ reasonText(reason, names, units, brief) }}</li>
          </ul>
          <p>{{ choice.conflict.length > 1 ? 'Drop one of them.' : 'Change this one.' }}</p>
        </div>
        <template v-else-if="points.length">
          <TradeCurve class="curve" :points="points" :lines="choice?.lines ?? []" :kits="present" :chosen="chosen" :names="names" :axis="axis" @choose="choose" />
          <KeptThings v-if="kept.length" :kept="kept" :may-leave="mayLeave" :marks="brief.marks ?? {}" :names="names" @leave="mayLeave = $event" @mark="mark" />
          <p v-for="line in above" :key="line" class="above">{{ line }}</p>
          <h2>Worth of each step <span class="quiet">left to right along the curve</span></h2>
          <StepBars class="steps" :points="points" :things="things" :chosen="chosen" @choose="choose" />
        </template>
        <p v-else-if="!running && byDays && choice" class="answer" role="status">No kit keeps every day’s bag within somebody’s comfortable load. Raise a comfortable load, shorten a day’s list, or search without checking every day.</p>
        <p v-else class="quiet">{{ running ? 'Searching your locker…' : 'Stopped before a kit was found.' }}</p>
      </div>
      <PointPanel
        v-if="point && !choice?.conflict.length"
        class="right"
        :point="point"
        :open-bags="openBags"
        :now="bench.state.assessment"
        :then="stands ? thought?.assessment : undefined"
        :steady="told.stands ? told.advice?.resilience.share : undefined"
        :loaded="loaded"
        :things="things"
        :trip="brief"
        :names="names"
        :busy="add.isPending.value"
        @take="take"
        @mark="mark"
      />
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 24px;
  padding: 12px 20px;
  overflow: hidden;
}
.left,
.right {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  min-width: 0;
}
/* Many steps under a low window: the column scrolls, nothing is cut off. */
.left {
  overflow-y: auto;
}
.panel-head h1 {
  flex: 1;
}
.asks {
  display: flex;
  gap: 0 18px;
  align-items: center;
  flex-wrap: wrap;
}
.limit {
  flex: 0 0 130px;
}
.curve {
  flex: 1 1 0;
}
.steps {
  flex: 0 0 auto;
}
.above {
  margin: 0;
  border-left: 3px solid var(--ochre);
  padding-left: 8px;
}
.answer {
  background: var(--sheet);
  border-left: 3px solid var(--rust);
  padding: 12px 16px;
  max-width: 46em;
}
.answer ul {
  margin: 8px 0;
  padding-left: 20px;
}
.answer p {
  margin: 4px 0 0;
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: 1fr;
    grid-auto-rows: max-content;
    overflow: auto;
  }
  .curve {
    min-height: 300px;
  }
  .panel-head {
    flex-wrap: wrap;
  }
  .panel-head h1 {
    flex-basis: 100%;
  }
}
</style>
