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
import { many, manyBatteries } from '@/wording/parts'
import { gb, pieceName, POWER_SCHOOL, wh } from '@/wording/stamina'

const props = defineProps<{ pictures: Storage; told: Told<PowerAdvice>; school: string; names: Names }>()
const emit = defineEmits<{ school: [school: PowerAdvice['schools'][number]['school']] }>()
const units = useUnits()
/** Things that keep nothing are told in one line. */
const gone = computed(() => props.pictures.gone.filter((g) => g.gb > 1e-6).slice(0, 10))
const safe = computed(() => props.pictures.gone.length - props.pictures.gone.filter((g) => g.gb > 1e-6).length)
function what(gone: Storage['gone'][number]): string {
  if (gone.what === 'hold') return 'all that is checked in'
  if (gone.number === null) return `${props.names.thing(gone.item)}, with everything in it`
  const name = pieceName([gone.item, gone.number], props.names.thing)
  return gone.what === 'camera' ? `${name}, with the cards in it` : name
}
function days(dates: readonly string[]): string {
  return dates.length > 2 ? `${day(dates[0]!)} to ${day(dates.at(-1)!)}` : dates.map(day).join(', ')
}
</script>

<template>
  <div>
    <h2>If you lost… <span class="quiet">pictures lost, on its worst night</span></h2>
    <table v-if="gone.length">
      <thead><tr><th>lost</th><th>from</th><th class="number">lost for good</th></tr></thead>
      <tbody>
        <tr v-for="g in gone" :key="`${g.what} ${g.item} ${g.number}`"><td>{{ what(g) }}</td><td>{{ days(g.days) }}</td><td class="number bad">{{ gb(g.gb) }}</td></tr>
      </tbody>
    </table>
    <p v-if="safe" class="quiet">{{ safe === 1 ? (gone.length ? 'Losing the one other item would cost no picture.' : 'Losing the one item that holds pictures would cost none.') : `Losing any one of ${safe} ${gone.length ? 'other items and bags' : 'items and bags'} would cost no picture.` }}</p>
    <AdvicePending v-slot="{ advice }" :told="told" before="Updating: these figures are from before your last click." looking="Calculating batteries and approaches…" holds>
      <p v-for="loss in advice.losses" :key="loss.item"><b>{{ names.thing(loss.item) }}</b>, one of them lost on day one: {{ loss.types.map((t) => names.thing(t)).join(', ') }} {{ loss.types.length > 1 ? 'run' : 'runs' }} out after {{ many(loss.days, 'day') }}.</p>
      <h2 class="second">Fewest batteries <span class="quiet">enough for every day, with your margin</span></h2>
      <table>
        <thead><tr><th>type</th><th class="number">loaded</th><th class="number">fewest</th><th class="number">change</th></tr></thead>
        <tbody>
          <tr v-for="f in advice.fewest" :key="f.type">
            <td>{{ names.thing(f.type) }}</td><td class="number">{{ f.loaded }}</td><td class="number">{{ f.packs ?? (f.item ? 'never enough' : 'none in the locker') }}</td><td class="number">{{ f.packs === null || f.packs === f.loaded ? '' : fmt.massChange(f.mass_g, units) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="s in advice.savings" :key="s.item + s.type">{{ names.thing(s.item) }} would save {{ manyBatteries(s.packs, names.thing(s.type)) }}: {{ fmt.massChange(s.mass_g, units) }} in all.</p>
      <h2 class="second">Power approaches <span class="quiet">on this trip, with the gear loaded</span></h2>
      <table>
        <thead><tr><th>approach</th><th class="number">batteries</th><th class="number">with chargers</th><th>first short day</th><th class="number">sockets</th></tr></thead>
        <tbody>
          <tr v-for="row in advice.schools" :key="row.school" :class="{ here: row.school === school }">
            <td><button type="button" class="link" :aria-pressed="row.school === school" @click="emit('school', row.school)">{{ POWER_SCHOOL[row.school] }}</button></td>
            <td class="number">{{ row.packs ?? 'never enough' }}</td><td class="number">{{ fmt.load(row.grams, units) }}</td><td>{{ row.short_on ? day(row.short_on) : 'none' }}</td><td class="number">{{ row.sockets }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="advice.claims.length">
        <h2 class="second">Power bank refills</h2>
        <p v-for="c in advice.claims" :key="c.item">{{ names.thing(c.item) }} holds {{ wh(c.energy_wh) }}; {{ wh(c.gives_wh) }} of it reaches a battery. That is {{ fmt.figure(c.refills, 1) }} refills of {{ names.thing(c.type) }}, not the {{ fmt.figure(c.claimed) }} its mAh suggest.</p>
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
