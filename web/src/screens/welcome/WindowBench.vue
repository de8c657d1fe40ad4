<script setup lang="ts">
/** A small bench that can be tried at once: load, leave, and see what it buys and whether it flies. */
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Assessment } from '@/api/types'
import { useUnits } from '@/composables/useSession'
import { useWindow } from '@/composables/useWindow'
import * as fmt from '@/format/units'
import { bagScales, briefScale } from '@/wording/scales'
import { lay, matThings } from '../bench/mat-cells'
import MatThing from '../bench/MatThing.vue'
import ReachChart from '../bench/ReachChart.vue'

const SCALE = 0.38
const { bench, trip, shown, loaded, names, toggle } = useWindow()
const units = useUnits()
const mat = ref<HTMLElement | null>(null)
const { width } = useElementSize(mat)
const laid = computed(() => lay(matThings(shown.value, null, ''), SCALE, Math.max(200, width.value - 20)))
const assessment = computed(() => bench.value?.assessment)
const bag = computed(() => (assessment.value ? bagScales(assessment.value)[0] : undefined))
const leg = computed(() => trip.value?.legs?.[0]?.name ?? '')
const flies = computed(() => {
  const one = bag.value
  if (!one || one.limit_g === null) return ''
  const over = one.mass_g - one.limit_g
  return over > 0 ? `${fmt.mass(over, units.value)} too heavy for “${leg.value}”` : `light enough for “${leg.value}”`
})
const brief = computed(() => (assessment.value ? briefScale(assessment.value) : null))
/** What the last click changed: grams, and wants by how much. */
const changed = ref('')
function told(before: Assessment, after: Assessment): string {
  const grams = after.loads.carried_g - before.loads.carried_g
  const wants = after.coverage.wants.flatMap((want, index) => {
    const by = Math.round(100 * (want.cover - (before.coverage.wants[index]?.cover ?? 0)))
    return by ? [`${names.value.want(want.want)} ${by > 0 ? '+' : '−'}${Math.abs(by)} %`] : []
  })
  return `${fmt.massChange(grams, units.value)}: ${wants.length ? wants.join(', ') : 'no shot gains or loses by it'}.`
}
watch(assessment, (after, before) => {
  if (before && after) changed.value = told(before, after)
})
</script>

<template>
  <section v-if="bench && trip && assessment" class="window" aria-label="A small bench to try">
    <ReachChart class="reach" :coverage="assessment.coverage" :trip="trip" :names="names" />
    <p class="figures" role="status">
      <b v-if="bag">{{ fmt.load(bag.mass_g, units) }}{{ bag.limit_g === null ? '' : ` of ${fmt.limit(bag.limit_g, units)}` }}</b> <span :class="{ over: bag && bag.limit_g !== null && bag.mass_g > bag.limit_g }">{{ flies }}</span>
      <b v-if="brief">{{ fmt.figure(brief.score) }} %</b> of the shots you want
    </p>
    <p class="figures said">{{ changed || 'Click an item to load or leave it, and see the difference.' }}</p>
    <div ref="mat" class="mat" role="group" aria-label="Gear to try" :style="{ height: `${laid.height + 16}px` }">
      <MatThing v-for="cell in laid.cells" :key="cell.id" :one="cell.one" :step="cell.step" :scale="SCALE" :loaded="loaded.has(cell.id) ? 1 : 0" :units="units" :style="{ left: `${cell.x + 10}px`, top: `${cell.y + 8}px`, width: `${cell.width - 6}px` }" @toggle="toggle(cell.id)" @change="toggle(cell.id)" />
    </div>
  </section>
</template>

<style scoped>
.window {
  display: grid;
  gap: 8px;
  max-width: 720px;
  margin: 18px 0 0;
}
.reach {
  background: var(--paper);
  color: var(--ink);
  border-radius: var(--corner);
  padding: 8px 10px 2px;
}
.mat {
  position: relative;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 0;
}
.said {
  min-height: 1.4em;
}
.over {
  color: var(--mat-figure);
}
</style>
