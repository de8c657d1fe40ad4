<script setup lang="ts">
/** A trip screen: trail above, scales below, both always in sight. */
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { asProblem } from '@/api/problem'
import { daysQuery } from '@/api/queries/days'
import type { Assessment, Bench } from '@/api/types'
import { useAdvice } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import { usePageTitle } from '@/composables/usePageTitle'
import { span } from '@/format/dates'
import { STATIONS } from '@/wording/stations'
import AlongBar from './AlongBar.vue'
import AppHeader from './AppHeader.vue'
import FirstWalk from './FirstWalk.vue'
import ScalesBar from './ScalesBar.vue'
import TrailBar from './TrailBar.vue'

const props = defineProps<{ bench: Bench | undefined; error: Error | null; names: Names; trial?: Assessment | null }>()
const trip = computed(() => props.bench?.trip.trip)
usePageTitle(() => trip.value?.name)
/** Another kit of the trip is shown until the one that was asked for is here. */
const route = useRoute()
const standIn = computed(() => !props.bench || props.bench.state.kit.id !== route.params.kit)
/** Used standing, on a phone: the way between them fits there. */
const FIELD = STATIONS.filter((s) => s.name === 'packout' || s.name === 'trail')
/** Marks count what only other kits show as soon as it is known of this one. */
const at = computed(() => (props.bench ? { trip: props.bench.trip.trip.id, kit: props.bench.state.kit.id, stamp: props.bench.state.stamp } : null))
const told = useAdvice(at)
const advice = computed(() => (told.value.stands ? told.value.advice : undefined))
const judged = computed(() => advice.value ?? props.bench?.state.assessment)
const cautions = computed(() => [...(props.bench?.state.assessment.findings ?? []), ...(advice.value?.findings ?? [])].filter((f) => f.severity === 'caution').flatMap((f) => f.stations))
/** The brief by the days' bags, once hands are off the kit for a moment; none where no day has a bag of its own. */
const quiet = refDebounced(at, 2000)
const outings = computed(() => props.bench?.state.kit.stow?.loadouts?.some((l) => l.days?.length) ?? false)
const days = useQuery(computed(() => daysQuery(outings.value ? quiet.value : null)))
const byDays = computed(() => (outings.value && !days.isPlaceholderData.value && quiet.value?.stamp === at.value?.stamp && quiet.value?.kit === at.value?.kit ? days.data.value : undefined))
const under = computed(() => {
  const people = (trip.value?.people ?? []).map((p) => p.name).join(' + ')
  const days = trip.value?.days ?? []
  const dates = days.length ? span(days[0]!.date, days.at(-1)!.date) : ''
  return [people, dates].filter(Boolean).join(' · ')
})
</script>

<template>
  <div class="frame">
    <AppHeader>
      <div v-if="trip" class="what">
        <div class="name">{{ trip.name }}</div>
        <div class="quiet small">{{ under }}</div>
      </div>
      <nav v-if="bench" class="field" aria-label="In the field">
        <RouterLink v-for="s in FIELD" :key="s.name" :to="{ name: s.name, params: { trip: bench.trip.trip.id, kit: bench.state.kit.id } }">{{ s.title }}</RouterLink>
      </nav>
      <TrailBar v-if="bench && judged" class="trail" :trip="bench.trip.trip.id" :kit="bench.state.kit.id" :stamp="bench.state.stamp" :stations="judged.stations" :cautions="cautions" />
    </AppHeader>
    <AlongBar v-if="bench" :trip="bench.trip.trip.id" />
    <FirstWalk v-if="bench" :trip="bench.trip.trip.id" :kit="bench.state.kit.id" />
    <main id="screen" class="frame-body" tabindex="-1" :aria-busy="standIn">
      <slot v-if="bench" />
      <p v-else-if="error" class="screen" role="alert">
        {{ asProblem(error).title }} <RouterLink :to="{ name: 'trips' }">Back to the trips</RouterLink>
      </p>
      <p v-else class="screen quiet" role="status">Laying out your gear…</p>
    </main>
    <ScalesBar v-if="bench && trip" class="scales" :assessment="trial ?? bench.state.assessment" :trial="Boolean(trial)" :a-day="route.name === 'days' || route.name === 'trail'" :trip="trip" :names="names" :by-days="trial ? undefined : byDays" />
  </div>
</template>

<style scoped>
.what {
  min-width: 0;
}
.name {
  font-weight: 700;
  font-stretch: 96%;
  font-size: var(--text-large);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.small {
  font-size: var(--text-small);
}
.trail {
  margin-left: auto;
  margin-right: 10px;
}
.field {
  display: none;
}
@media (max-width: 700px) {
  .trail,
  .scales,
  .what .small {
    display: none;
  }
  .field {
    display: flex;
    margin-left: auto;
    gap: 14px;
  }
  .field a {
    padding: 12px 2px;
    text-decoration: none;
    white-space: nowrap;
    color: var(--muted);
  }
  .field .router-link-active {
    color: var(--ink);
    font-weight: 700;
    box-shadow: inset 0 -2px 0 var(--saddle);
  }
}
</style>
