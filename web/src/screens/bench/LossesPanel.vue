<script setup lang="ts">
/** Each single thing and bag lost in turn, worst first; and what each day asks of the hands. */
import type { Advice, Assessment, Edit, Trip } from '@/api/types'
import type { Stamped } from '@/api/asking'
import AdvicePending from '@/components/AdvicePending.vue'
import WantChanges from '@/components/WantChanges.vue'
import WhyFigure from '@/components/WhyFigure.vue'
import type { Told } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day as dayName } from '@/format/dates'
import * as fmt from '@/format/units'
import { backupCure, cureText } from '@/wording/cures'
import { many } from '@/wording/parts'
import SparesPart from './SparesPart.vue'

defineProps<{ at?: Stamped | null; assessment: Assessment; told: Told; wants: NonNullable<Trip['wants']>; names: Names; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const units = useUnits()
type Loss = Advice['resilience']['losses'][number]

function costs(loss: Loss): string {
  const parts = [loss.stops ? 'no more pictures' : `${fmt.figure(loss.points, 1)} % of the brief`]
  if (loss.wants.length && !loss.stops) parts.push(many(loss.wants.length, 'shot'))
  if (loss.days) parts.push(many(loss.days, 'day'))
  if (loss.pictures) parts.push('every picture taken')
  return parts.join(', ')
}
</script>

<template>
  <div>
    <AdvicePending v-slot="{ advice: { resilience } }" :told="told">
    <h2>If it is lost or breaks <span class="quiet">{{ fmt.percent(resilience.share) }} of the brief survives any one loss</span></h2>
    <table v-if="resilience.losses.length">
      <thead><tr><th>lost</th><th>costs</th><th class="number">left</th></tr></thead>
      <tbody>
        <tr v-for="loss in resilience.losses.slice(0, 12)" :key="loss.what + loss.item">
          <td>
            {{ loss.what === 'bag' ? `${names.thing(loss.item)}, with everything in it` : names.thing(loss.item) }}
            <div v-if="loss.fails.length" class="label">then of no use: {{ loss.fails.map(names.thing).join(', ') }}</div>
            <div v-for="(cure, i) in loss.backups.map(backupCure)" :key="i"><button type="button" class="link label" :disabled="busy" @click="emit('edit', cure.edits)">{{ cureText(cure, names, units) }}</button></div>
          </td>
          <td>
            <WhyFigure help="loss" :figure="costs(loss)" :about="`cost of losing ${names.thing(loss.item)}`">
              <h2>{{ names.thing(loss.item) }}<template v-if="loss.what === 'bag'">, with everything in it</template> is lost</h2>
              <WantChanges :changes="loss.changes" :wants="wants" :names="names" />
              <p v-if="loss.out.length > 1" class="label">Out of use: {{ loss.out.map(names.thing).join(', ') }}.</p>
              <p v-if="loss.wants.length" class="label">Shots left with less than half: {{ loss.wants.map(names.want).join(', ') }}.</p>
            </WhyFigure>
          </td>
          <td class="number">{{ fmt.figure(loss.score, 1) }} %</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">The brief loses nothing with any one item.</p>
    </AdvicePending>
    <SparesPart v-if="at" :at="at" :names="names" :busy="busy" @edit="emit('edit', $event)" />
    <template v-if="assessment.lens_changes.length">
      <h2 class="second">Lenses by day <span class="quiet">which lens stays on which body, and how often one is changed</span></h2>
      <table>
        <tbody>
          <tr v-for="d in assessment.lens_changes" :key="d.date">
            <td class="label">{{ dayName(d.date) }}</td>
            <td>
              <template v-for="(home, i) in d.homes" :key="home.body + i">{{ i ? '; ' : '' }}{{ names.thing(home.lens) }} on {{ names.thing(home.body) }}</template>
              <span v-if="!d.homes.length" class="quiet">no lens needed</span>
            </td>
            <td class="number" :class="{ bad: d.exposed }">{{ d.changes ? many(d.changes, 'change') : 'no change' }}{{ d.exposed ? ', exposed' : '' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <template v-if="assessment.coverage.headroom.length">
      <h2 class="second">Crop head-room</h2>
      <p v-for="room in assessment.coverage.headroom" :key="room.body">
        {{ names.thing(room.body) }}: from {{ fmt.focal(room.from_mm) }} mm you can crop to {{ fmt.focal(room.to_mm) }} mm and keep {{ fmt.figure(room.megapixels) }} MP.
      </p>
    </template>
  </div>
</template>

<style scoped>
td,
th {
  padding: 3px 6px 3px 0;
  vertical-align: top;
}
.second {
  margin-top: 14px;
}
p {
  margin: 4px 0;
}
.bad {
  color: var(--rust);
  font-weight: 700;
}
</style>
