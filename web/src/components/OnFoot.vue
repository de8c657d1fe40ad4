<script setup lang="ts">
/** The day on foot: its clock, water and food, what is on each back with them, and what is to be looked at. */
import { computed } from 'vue'
import type { DayOnFoot, Walk } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import SeverityMark from './SeverityMark.vue'
import { backText, ON_FOOT, steps, walkCautions, waterText } from '@/wording/walking'

const props = defineProps<{ walk: DayOnFoot; goal: Walk; names: Names }>()
const units = useUnits()
const clock = computed(() => steps(props.walk, props.goal.goal))
const cautions = computed(() => walkCautions(props.walk, props.names))
</script>

<template>
  <section class="foot" aria-label="On foot">
    <h2>On foot</h2>
    <ol v-if="clock.length" class="lines">
      <li v-for="s in clock" :key="s.what"><b>{{ s.at }}</b> <span>{{ s.what }}</span> <span class="label">{{ s.note }}</span></li>
    </ol>
    <p v-for="text in cautions" :key="text" class="caution"><SeverityMark severity="caution" aria-hidden="true" />{{ text }}</p>
    <dl class="facts">
      <dt>Drink</dt><dd>{{ waterText(walk, goal.refills ?? 0) }}</dd>
      <template v-for="w in walk.walkers" :key="w.person"><dt>{{ names.person(w.person) }}’s back with water and food</dt><dd>{{ backText(w, units) }}</dd></template>
    </dl>
    <p class="label">{{ ON_FOOT }}<template v-if="walk.slower > 1.005"> The load makes it {{ Math.round(100 * (walk.slower - 1)) }} % slower (estimate).</template></p>
  </section>
</template>

<style scoped>
.foot {
  display: flex;
  flex-direction: column;
  gap: 5px;
}
.foot p {
  margin: 0;
}
.lines > li {
  display: grid;
  grid-template-columns: 48px auto 1fr;
  gap: 8px;
  padding: 3px 0;
}
.lines > li > .label {
  text-align: right;
}
.caution {
  display: flex;
  gap: 7px;
  align-items: baseline;
}
</style>
