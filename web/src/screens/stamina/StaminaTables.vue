<script setup lang="ts">
/** The plain tables behind the pictures: types by days, and what is made and kept by days. */
import type { Power, Storage } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { gb } from '@/wording/stamina'

defineProps<{ power: Power; pictures: Storage; names: Names }>()
const units = useUnits()
function on(power: Power, index: number, type: string) {
  return power.days[index]?.types.find((t) => t.type === type)
}
</script>

<template>
  <div class="tables">
    <table>
      <caption class="quiet">Wh needed / usable in the morning</caption>
      <thead>
        <tr><th>day</th><th class="number">coldest</th><th class="number">mains</th><th v-for="t in power.types" :key="t.type" class="number">{{ names.thing(t.type) }}</th></tr>
      </thead>
      <tbody>
        <tr v-for="(d, index) in power.days" :key="d.date">
          <td>{{ day(d.date) }}</td><td class="number">{{ fmt.temperature(d.lowest_c, units) }}</td><td class="number">{{ d.night_h ? `${fmt.figure(d.night_h)} h × ${d.outlets}` : 'none' }}</td>
          <td v-for="t in power.types" :key="t.type" class="number" :class="{ bad: (on(power, index, t.type)?.margin ?? 0) < 0 }">{{ on(power, index, t.type) ? `${fmt.figure(on(power, index, t.type)!.need_wh, 1)} / ${fmt.figure(on(power, index, t.type)!.ready_wh, 1)}` : '–' }}</td>
        </tr>
      </tbody>
    </table>
    <table>
      <caption class="quiet">Pictures and their copies; you planned {{ pictures.asked_copies }}</caption>
      <thead><tr><th>day</th><th class="number">frames</th><th class="number">recorded</th><th class="number">no card for</th><th class="number">copies</th><th class="number">copying</th><th>blank cards left</th></tr></thead>
      <tbody>
        <tr v-for="d in pictures.days" :key="d.date">
          <td>{{ day(d.date) }}</td><td class="number">{{ fmt.figure(d.made.reduce((s, m) => s + m.frames, 0)) }}</td><td class="number">{{ gb(d.made.reduce((s, m) => s + m.stills_gb + m.video_gb, 0)) }}</td>
          <td class="number" :class="{ bad: d.lost_gb > 0 }">{{ d.lost_gb ? gb(d.lost_gb) : '' }}</td><td class="number">{{ d.copies ?? '–' }}</td><td class="number">{{ d.minutes ? `${fmt.figure(d.minutes)} min` : '' }}</td>
          <td>{{ Object.entries(d.cards_left).map(([type, n]) => `${n} ${type}`).join(', ') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.tables {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 18px;
}
caption {
  text-align: left;
}
.bad {
  color: var(--rust);
  font-weight: 700;
}
</style>
