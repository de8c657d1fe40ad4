<script setup lang="ts">
/** What goes first when weight must go, and what to load next. Each line can be done. */
import { computed, ref } from 'vue'
import type { Addition, Advice, Edit, Trip } from '@/api/types'
import WantChanges from '@/components/WantChanges.vue'
import WhyFigure from '@/components/WhyFigure.vue'
import TabRow from '@/components/TabRow.vue'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { list } from '@/wording/parts'

const props = defineProps<{ ledger: Advice['ledger']; wants: NonNullable<Trip['wants']>; over: boolean; names: Names; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const units = useUnits()
const BUDGETS = [100, 300, 1000]
const budget = ref(1000)
const additions = computed<Addition[]>(() => props.ledger.additions.filter((n) => n.mass_g <= budget.value))
/** The first drop after which no leg is over any more. */
const enough = computed(() => (props.over ? props.ledger.drops.findIndex((d) => d.over_g <= 0) : -1))

function upTo(index: number): Edit[] {
  return props.ledger.drops.slice(0, index + 1).flatMap((d) => [d.item, ...d.goes].map((item) => ({ act: 'leave' as const, item })))
}
/** Why something fast or long costs nothing: what to look at in the brief before it goes. */
function sharpened(why: NonNullable<Advice['ledger']['drops'][number]['because']>): string {
  const instead = props.names.thing(why.instead)
  const asks = `${props.names.want(why.want)} needs ${fmt.fNumber(why.f_number)} and ${fmt.figure(why.megapixels)} MP`
  return why.crops
    ? `${asks}: a crop from ${instead} gives that, too. If you need more, say so in the brief.`
    : `${asks}, which ${instead} gives as well. If you need it faster or sharper, say so in the brief.`
}
function per(points: number, grams: number): string {
  return fmt.figure((100 * points) / Math.max(1, grams), 1)
}
</script>

<template>
  <div class="drops">
    <h2>Leave first <span class="quiet">{{ enough >= 0 ? 'first enough for every leg, then' : '' }} least worth per {{ fmt.mass(100, units) }}; never safety gear</span></h2>
    <table v-if="ledger.drops.length">
      <thead><tr><th>item, and whatever needs it</th><th class="number">frees</th><th class="number">costs, % of brief</th><th class="number">brief then</th><th /></tr></thead>
      <tbody>
        <tr v-for="(drop, index) in ledger.drops" :key="drop.item" :class="{ enough: index === enough }">
          <td>{{ names.thing(drop.item) }}<span v-if="drop.goes.length" class="label"> with {{ drop.goes.map(names.thing).join(', ') }}</span><span v-if="drop.because" class="label because">{{ sharpened(drop.because) }}</span><span v-if="index === enough" class="label"> · from here on every leg takes the weight</span></td>
          <td class="number">{{ fmt.mass(drop.mass_g, units) }}</td>
          <td class="number">
            <WhyFigure help="leave" :figure="fmt.figure(drop.points, 1)" :about="`cost of leaving ${names.thing(drop.item)}, in per cent of the brief`">
              <h2>Leaving {{ names.thing(drop.item) }}<template v-if="index"> after those above</template></h2>
              <WantChanges :changes="drop.changes ?? []" :wants="wants" :names="names" />
              <p class="label">{{ fmt.figure(drop.points, 1) }} % of the brief for {{ fmt.mass(drop.mass_g, units) }}: {{ per(drop.points, drop.mass_g) }} % per 100 g. Then the brief is at {{ fmt.figure(drop.score, 1) }} % and everything loaded weighs {{ fmt.load(drop.total_g, units) }}.</p>
              <p v-if="drop.over_g > 0" class="label">The strictest leg is still {{ fmt.mass(drop.over_g, units) }} over.</p>
            </WhyFigure>
          </td>
          <td class="number">{{ fmt.figure(drop.score, 1) }} %</td>
          <td class="number"><button type="button" class="link" :disabled="busy" @click="emit('edit', upTo(index))">{{ index ? 'leave to here' : 'leave' }}</button></td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="!ledger.small.length" class="quiet">Everything loaded is needed by something else.</p>
    <p v-if="ledger.small.length" class="quiet small">
      Small and easy to do without: {{ list(ledger.small, names) }}.
      <button type="button" class="link" :disabled="busy" @click="emit('edit', ledger.small.map((item) => ({ act: 'leave', item })))">leave {{ ledger.small.length > 1 ? 'them all' : 'it' }}</button>
    </p>
    <div class="next">
      <h2>Load next <span class="quiet">most brief per gram, up to</span></h2>
      <TabRow v-model="budget" label="Up to" :tabs="BUDGETS.map((b) => ({ name: b, title: fmt.mass(b, units) }))" />
    </div>
    <table v-if="additions.length">
      <thead><tr><th>item, and the links it needs</th><th class="number">adds</th><th class="number">buys, % of brief</th><th class="number">brief then</th><th /></tr></thead>
      <tbody>
        <tr v-for="next in additions" :key="next.items.join()">
          <td>{{ next.items.map(names.thing).join(' + ') }}<span v-if="next.brings.length" class="label"> with {{ next.brings.map(names.thing).join(', ') }}</span></td>
          <td class="number">{{ fmt.massChange(next.mass_g, units) }}</td>
          <td class="number">
            <WhyFigure help="load" :figure="fmt.figure(next.points, 1)" :about="`gain from ${next.items.map(names.thing).join(' and ')}, in per cent of the brief`">
              <h2>Loading {{ next.items.map(names.thing).join(' + ') }}</h2>
              <WantChanges :changes="next.changes ?? []" :wants="wants" :names="names" />
              <p class="label">{{ fmt.figure(next.points, 1) }} % of the brief for {{ fmt.mass(next.mass_g, units) }}<template v-if="next.brings.length">, links included</template>: {{ per(next.points, next.mass_g) }} % per 100 g.</p>
            </WhyFigure>
          </td>
          <td class="number">{{ fmt.figure(next.score, 1) }} %</td>
          <td class="number"><button type="button" class="link" :disabled="busy" @click="emit('edit', [...next.items, ...next.brings].map((item) => ({ act: 'load', item, count: 1 })))">load</button></td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">Nothing left at home adds to the brief for so few grams.</p>
  </div>
</template>

<style scoped>
.next {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin-top: 12px;
}
td,
th {
  padding: 3px 6px 3px 0;
}
.because {
  display: block;
}
.enough td {
  border-bottom: 2px solid var(--moss);
}
p {
  margin: 6px 0;
}
</style>
