<script setup lang="ts">
/** Bags and backs: which bags could carry the kit, with the kit in them; and who carries what. */
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import TripFrame from '@/components/TripFrame.vue'
import { useBagSets } from '@/composables/useBags'
import { useBench, useKits } from '@/composables/useBench'
import { notify } from '@/composables/useNotice'
import { outline } from '@/drawing/bags'
import { ranked, setName, triedText } from '@/wording/bags'
import { inTurn } from '@/wording/searches'
import SetCard from './SetCard.vue'
import SetFacts from './SetFacts.vue'
import ShareOut from './ShareOut.vue'

const props = defineProps<{ trip: string; kit: string }>()
const router = useRouter()
const { bench, at, error, things, edit, busy, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const { sets, tried, of, ahead, problem, running, start, stop } = useBagSets(() => at.value)
const { add } = useKits(() => props.trip)
const shown = computed(() => ranked(sets.value))
const picked = ref('')
const chosen = computed(() => shown.value.find((s) => s.key === picked.value) ?? shown.value[1] ?? shown.value[0])
const people = computed(() => bench.value?.trip.trip.people ?? [])
const says = computed(() => (running.value && ahead.value ? inTurn(ahead.value) : triedText(tried.value, of.value, Math.max(0, shown.value.length - 1), running.value)))
/** Pixels to a millimetre, the same for every set: the widest just fits its card, and the tallest is no taller. */
const WIDE = 316
const TALL = 118
const BETWEEN = 14
const scale = computed(() => {
  const rows = sets.value.map((s) => s.bags.map((bag) => outline(things.value.get(bag))))
  const fits = rows.map((row) => (WIDE - BETWEEN * row.length) / Math.max(1, row.reduce((sum, o) => sum + o.width, 0)))
  const tallest = Math.max(1, ...rows.flat().map((o) => o.height))
  return Math.min(TALL / tallest, ...fits)
})
async function take(): Promise<void> {
  const one = chosen.value
  if (!one) return
  try {
    const made = await add.mutateAsync({ name: `In ${setName(one, names.value)}`.slice(0, 80), copyOf: props.kit, entries: one.kit.entries })
    await router.push({ name: 'stow', params: { trip: props.trip, kit: made.id } })
  } catch (failed) {
    notify(failed as Error)
  }
}
// What was found is about this kit as it was: another one is looked at anew.
watch([() => at.value?.kit, () => at.value?.stamp], () => void start(), { immediate: true })
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="bench" class="screen grid stacks">
      <section class="left" aria-label="Choose bags">
        <header>
          <h1>Which bag <span class="quiet">every set of your bags that could carry this kit, drawn to one scale</span></h1>
          <p class="quiet line">
            <span role="status">{{ says }}</span>
            <button v-if="running" type="button" class="link" @click="stop">stop</button>
            <button v-else-if="tried < of" type="button" class="link" @click="start">show all</button>
          </p>
        </header>
        <p v-if="problem" class="bad" role="alert">{{ problem.title }}</p>
        <p v-else-if="!running && !shown.length" class="quiet">No bag is loaded: <RouterLink :to="{ name: 'locker' }">put your bags into the locker</RouterLink>, and load one.</p>
        <div class="cards" role="group" aria-label="Sets of bags">
          <SetCard v-for="one in shown" :key="one.key" :set="one" :things="things" :names="names" :scale="scale" :picked="one.key === chosen?.key" :loadouts="bench.state.kit.stow?.loadouts ?? []" @pick="picked = one.key" />
        </div>
      </section>
      <div class="right">
        <ShareOut v-if="people.length > 1" :at="at" :names="names" :people="people" :busy="busy" @share="edit" />
        <p v-else class="quiet">One person carries everything. <RouterLink :to="{ name: 'brief', params: { trip, kit } }">Say in the brief who comes along</RouterLink>, and shared gear is divided between them.</p>
        <SetFacts v-if="chosen" :set="chosen" :things="things" :names="names" :busy="add.isPending.value" @take="take" />
      </div>
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 338px;
  gap: 26px;
  height: 100%;
}
.left,
.right {
  min-height: 0;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 2px 0 0;
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 9px;
}
</style>
