<script setup lang="ts">
/** The shelf: current, planned and done trips. */
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { mdiPlus } from '@mdi/js'
import { asProblem, sentence } from '@/api/problem'
import type { Opened, TripDoc } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import PlainFrame from '@/components/PlainFrame.vue'
import { planAlong, useTripsAlong } from '@/composables/useAlong'
import { notify } from '@/composables/useNotice'
import { useTrips } from '@/composables/useTrips'
import { span } from '@/format/dates'
import KitGlances from './KitGlances.vue'
import PlanTrip from './PlanTrip.vue'
import ShareTrip from './ShareTrip.vue'
import WantStrip from './WantStrip.vue'

const router = useRouter()
const { trips, loading, error, remove, bringIn } = useTrips()
const SHELVES = [
  { status: 'current', title: 'Current' },
  { status: 'planned', title: 'Planned' },
  { status: 'done', title: 'Done' },
] as const
const shelves = computed(() => SHELVES.map((s) => ({ ...s, trips: (trips.value ?? []).filter((d) => d.trip.status === s.status) })).filter((s) => s.trips.length))

const asking = ref(false)
/** The trip that the new one is to be like, when it is asked for from its line. */
const like = ref('')
function plan(from = ''): void {
  like.value = from
  asking.value = true
}
async function made(doc: TripDoc, to: 'bench' | 'brief'): Promise<void> {
  asking.value = false
  await router.push({ name: to, params: { trip: doc.trip.id, kit: doc.open_kit } })
}

const others = useTripsAlong()
function goAlong(one: Opened): void {
  planAlong(one)
  void router.push({ name: 'bench', params: { trip: one.trip, kit: one.kit } })
}

const file = ref<HTMLInputElement | null>(null)
const fileProblem = ref('')
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  fileProblem.value = ''
  try {
    const doc = await bringIn.mutateAsync(chosen)
    notify(`“${doc.trip.name}” is imported, with its gear and kits.`)
  } catch (reason) {
    fileProblem.value = `${chosen.name}: ${sentence(asProblem(reason))} Nothing was imported.`
  }
}
const sharing = ref<TripDoc | null>(null)
const going = ref<TripDoc | null>(null)
function go(): void {
  if (going.value) remove.mutate(going.value.trip.id, { onError: notify })
}
function when(doc: TripDoc): string {
  const days = doc.trip.days ?? []
  return days.length ? `${span(days[0]!.date, days.at(-1)!.date)}, ${days.length} ${days.length === 1 ? 'day' : 'days'}` : 'no days yet'
}
function who(doc: TripDoc): string {
  return (doc.trip.people ?? []).map((p) => p.name).join(' + ') || 'no people yet'
}
</script>

<template>
  <PlainFrame>
    <div class="screen">
      <header class="top">
        <h1>Trips</h1>
        <span class="grow" />
        <input ref="file" type="file" accept=".json,application/json" class="visually-hidden" aria-label="Plan file to import" tabindex="-1" @change="take" />
        <VBtn :loading="bringIn.isPending.value" @click="file?.click()">Import a plan file</VBtn>
        <VBtn color="primary" variant="flat" :prepend-icon="mdiPlus" @click="plan()">Plan a trip</VBtn>
      </header>
      <p v-if="fileProblem" class="wrong" role="alert">{{ fileProblem }}</p>
      <p v-if="error" role="alert">{{ asProblem(error).title }}</p>
      <p v-else-if="loading" class="quiet" role="status">Loading your trips…</p>
      <p v-else-if="!trips?.length" class="empty">No trips yet. Plan one: a name and a date are enough to begin.</p>
      <section v-for="shelf in shelves" :key="shelf.status" class="shelf" :aria-label="shelf.title">
        <h2>{{ shelf.title }}</h2>
        <article v-for="doc in shelf.trips" :key="doc.trip.id" class="trip">
          <div class="what">
            <RouterLink class="name" :to="{ name: 'bench', params: { trip: doc.trip.id, kit: doc.open_kit } }">{{ doc.trip.name }}</RouterLink>
            <div class="quiet">{{ [doc.trip.place, when(doc), who(doc)].filter(Boolean).join(' · ') }}</div>
            <div v-if="doc.trip.note" class="note">{{ doc.trip.note }}</div>
            <KitGlances :trip="doc.trip.id" :wants="Boolean(doc.trip.wants?.length)" />
          </div>
          <WantStrip class="wants" :wants="doc.trip.wants ?? []" />
          <div class="acts">
            <RouterLink class="link" :to="{ name: 'brief', params: { trip: doc.trip.id, kit: doc.open_kit } }">brief</RouterLink>
            <RouterLink class="link" :to="{ name: 'bench', params: { trip: doc.trip.id, kit: doc.open_kit } }">bench</RouterLink>
            <a class="link" :href="`/api/exchange/plans/${doc.trip.id}/${doc.open_kit}`">export plan</a>
            <button type="button" class="link" @click="sharing = doc">share</button>
            <button type="button" class="link" @click="plan(doc.trip.id)">plan again</button>
            <button type="button" class="link" @click="going = doc">remove</button>
          </div>
        </article>
      </section>

      <section v-if="others?.length" class="shelf" aria-label="With others">
        <h2>With others <span class="quiet">other people’s trips you plan along with</span></h2>
        <article v-for="one in others" :key="one.link" class="trip">
          <div class="what">
            <button type="button" class="link name" @click="goAlong(one)">{{ one.title }}</button>
            <div class="quiet">{{ one.owner }}’s trip</div>
          </div>
        </article>
      </section>

      <ShareTrip :doc="sharing" @done="sharing = null" />
      <PlanTrip v-model="asking" :like="like" @made="made" />
      <AskFirst
        :model-value="going !== null"
        title="Remove this trip"
        :text="`“${going?.trip.name}” is removed for good, with its kits. Your gear stays in the Locker. Export its plan first if you may need it.`"
        yes="Remove it"
        @yes="go"
        @update:model-value="going = null"
      />
    </div>
  </PlainFrame>
</template>

<style scoped>
.top {
  display: flex;
  gap: 12px;
  align-items: center;
}
.grow {
  flex: 1;
}
.shelf {
  margin-top: 22px;
}
.trip {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
  gap: 30px;
  align-items: center;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}
.shelf .trip:last-child {
  border-bottom: 1px solid var(--line);
}
.name {
  font-size: var(--text-head);
  font-weight: 700;
  font-stretch: 104%;
  color: var(--ink);
  text-decoration: none;
}
.name:hover {
  text-decoration: underline;
  text-decoration-color: var(--saddle);
}
.note {
  margin-top: 4px;
}
.acts {
  display: flex;
  gap: 16px;
}
.wrong {
  color: var(--rust);
}
.empty {
  margin-top: 40px;
  font-size: var(--text-large);
}
@media (max-width: 1000px) {
  .trip {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
