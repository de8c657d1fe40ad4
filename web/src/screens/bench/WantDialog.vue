<script setup lang="ts">
/** Why a want is met as far as it is: which set-up serves which stretch, and what holds it back. */
import { computed } from 'vue'
import type { Assessment, Trip } from '@/api/types'
import SheetDialog from '@/components/SheetDialog.vue'
import type { Names } from '@/wording/names'
import * as fmt from '@/format/units'
import { how, setUp } from '@/wording/optics'

const props = defineProps<{ want: string | null; trip: Trip; coverage: Assessment['coverage']; names: Names }>()
const emit = defineEmits<{ close: [] }>()
const want = computed(() => props.trip.wants?.find((w) => w.id === props.want))
const cover = computed(() => props.coverage.wants.find((w) => w.want === props.want))
const asks = computed(() => {
  const w = want.value
  if (!w) return ''
  const light = w.light === 'equivalent' ? 'full-frame equivalent' : 'exposure'
  const traits = (w.traits ?? []).map((t) => t.trait + (t.essential ? ' (essential)' : ''))
  return [fmt.focalRange(w.focal_min_mm, w.focal_max_mm), `${fmt.fNumber(w.max_f_number ?? 8)} or faster, ${light}`, `${w.megapixels ?? 12} MP`, ...traits, w.static_subject ? 'stands still' : ''].filter(Boolean).join(' · ')
})
</script>

<template>
  <SheetDialog :model-value="Boolean(want)" max-width="640" :aria-label="want?.name" @update:model-value="emit('close')">
    <div v-if="want && cover" class="sheet">
      <h1>{{ want.name }}: {{ fmt.percent(cover.cover) }} met</h1>
      <p class="quiet">{{ asks }} · importance {{ want.importance ?? 3 }} of 5</p>
      <table>
        <thead><tr><th class="number">stretch</th><th class="number">met</th><th>by</th><th>how</th></tr></thead>
        <tbody>
          <tr v-for="run in cover.runs" :key="run.from_mm">
            <td class="number">{{ fmt.focalRange(run.from_mm, run.to_mm) }}</td>
            <td class="number">{{ fmt.percent(run.score) }}</td>
            <td>{{ run.set_up ? setUp(run.set_up, names.thing) : 'nothing' }}</td>
            <td class="label">{{ how(run) }}</td>
          </tr>
          <tr v-if="cover.runs.length === 0"><td colspan="4">Nothing loaded takes a picture yet.</td></tr>
        </tbody>
      </table>
      <p class="label">
        Every focal length in steps of a twelfth of an octave scores light × pixels × traits of the best set-up. The shot is their mean; a stretch under 50 % is a gap.
      </p>
      <div class="end"><VBtn autofocus @click="emit('close')">Close</VBtn></div>
    </div>
  </SheetDialog>
</template>

<style scoped>
p {
  margin: 4px 0 12px;
}
.end {
  text-align: right;
}
</style>
