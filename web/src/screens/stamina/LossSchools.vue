<script setup lang="ts">
/** What would be gone with what, the four schools side by side, how few packs do, and what banks really give. */
import { computed } from 'vue'
import type { PowerAdvice, Storage } from '@/api/types'
import AdvicePending from '@/components/AdvicePending.vue'
import type { Told } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { many, packOf } from '@/wording/parts'
import { gb, pieceName, POWER_SCHOOL, wh } from '@/wording/stamina'

const props = defineProps<{ pictures: Storage; told: Told<PowerAdvice>; school: string; names: Names }>()
const emit = defineEmits<{ school: [school: PowerAdvice['schools'][number]['school']] }>()
const units = useUnits()
/** Things that keep nothing are told in one line. */
const gone = computed(() => props.pictures.gone.filter((g) => g.gb > 1e-6).slice(0, 10))
const safe = computed(() => props.pictures.gone.length - props.pictures.gone.filter((g) => g.gb > 1e-6).length)
function what(gone: Storage['gone'][number]): string {
  if (gone.what === 'hold') return 'all that is checked in'
  if (gone.number === null) return `${props.names.thing(gone.item)}, with all in it`
  const name = pieceName([gone.item, gone.number], props.names.thing)
  return gone.what === 'camera' ? `${name}, with the cards in it` : name
}
function days(dates: readonly string[]): string {
  return dates.length > 2 ? `${day(dates[0]!)} to ${day(dates.at(-1)!)}` : dates.map(day).join(', ')
}
</script>

<template>
  <div>
    <h2>If you lost… <span class="quiet">pictures gone, on the worst night for it</span></h2>
    <table v-if="gone.length">
      <thead><tr><th>lost</th><th>days gone</th><th class="number">gone</th></tr></thead>
      <tbody>
        <tr v-for="g in gone" :key="`${g.what} ${g.item} ${g.number}`"><td>{{ what(g) }}</td><td>{{ days(g.days) }}</td><td class="number bad">{{ gb(g.gb) }}</td></tr>
      </tbody>
    </table>
    <p v-if="safe" class="quiet">{{ safe === 1 ? (gone.length ? 'The one other thing would take no picture with it.' : 'One thing keeps pictures, and would take none with it.') : `Of ${safe} ${gone.length ? 'other things' : 'things and bags'} none would take a picture with it.` }}</p>
    <AdvicePending v-slot="{ advice }" :told="told" before="Reckoning again: packs and schools are of before." looking="Reckoning packs and schools…" holds>
      <p v-for="loss in advice.losses" :key="loss.item"><b>{{ names.thing(loss.item) }}</b>, one lost on the first day: {{ loss.types.map((t) => names.thing(t)).join(', ') }} {{ loss.types.length > 1 ? 'run' : 'runs' }} dry after {{ many(loss.days, 'day') }}.</p>
      <h2 class="second">Fewest packs <span class="quiet">that carry every day with your margin</span></h2>
      <table>
        <thead><tr><th>type</th><th class="number">loaded</th><th class="number">fewest</th><th class="number">change</th></tr></thead>
        <tbody>
          <tr v-for="f in advice.fewest" :key="f.type">
            <td>{{ names.thing(f.type) }}</td><td class="number">{{ f.loaded }}</td><td class="number">{{ f.packs ?? (f.item ? 'no number does' : 'none in the locker') }}</td><td class="number">{{ f.packs === null || f.packs === f.loaded ? '' : fmt.massChange(f.mass_g, units) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="s in advice.savings" :key="s.item + s.type">{{ names.thing(s.item) }} would save {{ many(s.packs, packOf(names.thing(s.type))) }}: {{ fmt.massChange(s.mass_g, units) }} in all.</p>
      <h2 class="second">Schools <span class="quiet">on this trip, with what is loaded</span></h2>
      <table>
        <thead><tr><th>school</th><th class="number">packs</th><th class="number">with chargers</th><th>first short day</th><th class="number">sockets</th></tr></thead>
        <tbody>
          <tr v-for="row in advice.schools" :key="row.school" :class="{ here: row.school === school }">
            <td><button type="button" class="link" :aria-pressed="row.school === school" @click="emit('school', row.school)">{{ POWER_SCHOOL[row.school] }}</button></td>
            <td class="number">{{ row.packs ?? 'no number does' }}</td><td class="number">{{ fmt.load(row.grams, units) }}</td><td>{{ row.short_on ? day(row.short_on) : 'none' }}</td><td class="number">{{ row.sockets }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="advice.claims.length">
        <h2 class="second">What a bank gives</h2>
        <p v-for="c in advice.claims" :key="c.item">{{ names.thing(c.item) }} holds {{ wh(c.energy_wh) }}; {{ wh(c.gives_wh) }} reach packs: {{ fmt.figure(c.refills, 1) }} refills of {{ names.thing(c.type) }}, not the {{ fmt.figure(c.claimed) }} that dividing its mAh by the pack's suggests.</p>
      </template>
    </AdvicePending>
  </div>
</template>

<style scoped>
td,
th {
  padding: 3px 6px 3px 0;
}
.second {
  margin-top: 12px;
}
.bad {
  color: var(--rust);
  font-weight: 700;
}
.here td {
  font-weight: 700;
}
p {
  margin: 4px 0;
}
</style>
