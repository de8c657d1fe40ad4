<script setup lang="ts">
/** One day: what is amiss with its bag and what helps, its packs, and what moves in the morning and in the evening. */
import { computed } from 'vue'
import type { AtBase, Day, DayBag, Edit, Outing, ProposedOuting, Trip } from '@/api/types'
import AdvicePending from '@/components/AdvicePending.vue'
import DropsPanel from '@/components/DropsPanel.vue'
import FindingsList from '@/components/FindingsList.vue'
import OnFoot from '@/components/OnFoot.vue'
import TabRow from '@/components/TabRow.vue'
import type { Told } from '@/composables/useAdvice'
import type { Names } from '@/wording/names'
import type { ToldCures } from '@/wording/advice'
import { useUnits } from '@/composables/useSession'
import { day as dayName } from '@/format/dates'
import * as fmt from '@/format/units'
import { advised } from '@/wording/advice'
import { moveText } from '@/wording/loadouts'
import { say } from '@/wording/findings'
import { baseText, outThere, packsText, WAY } from '@/wording/outings'

const props = defineProps<{ bag: DayBag; day: Day; bagName: string; outing: Outing | undefined; cures: ToldCures; base: AtBase | undefined; names: Names; busy: boolean; proposal: ProposedOuting | null; several: number; worth: Told; wants: NonNullable<Trip['wants']> }>()
const emit = defineEmits<{ cure: [edits: Edit[]]; take: []; edit: [] }>()
const units = useUnits()
const when = defineModel<'morning' | 'evening' | 'first'>('when', { required: true })
const findings = computed(() => advised(props.bag.findings, props.cures))
const moves = computed(() => (when.value === 'morning' ? props.outing?.moves.filter((m) => m.to_place) : props.outing?.back) ?? [])
const stays = computed(() => Object.entries(props.outing?.stays ?? {}).map(([item, n]) => (n > 1 ? `${n} × ${props.names.thing(item)}` : props.names.thing(item))))
const carriers = computed(() => props.bag.people.filter((p) => p.carried_g > 0))
const short = computed(() => props.bag.packs.filter((p) => p.short))
/** What goes along on the picked way, bags first. */
const along = computed(() => {
  const counts = new Map<string, number>()
  for (const e of props.proposal?.kit.entries ?? []) counts.set(e.item, (counts.get(e.item) ?? 0) + (e.count ?? 1))
  return [...counts].map(([item, n]) => (n > 1 ? `${n} × ${props.names.thing(item)}` : props.names.thing(item))).join(', ')
})
const amiss = computed(() => [...new Set(props.proposal?.findings.filter((f) => f.severity !== 'note' && f.code !== 'carries-well').map((f) => say(f, props.names, units.value).head))])
const over = computed(() => props.proposal?.findings.filter((f) => f.code === 'carries-well').map((f) => say(f, props.names, units.value).head).join(' '))
const lines = computed(() => [props.day.place, fmt.temperature(props.day.lowest_c ?? 15, units.value), props.day.on_foot_h ? `${fmt.figure(props.day.on_foot_h)} h on foot` : ''].filter(Boolean).join(', '))
</script>

<template>
  <section class="panel" :aria-label="dayName(bag.date)">
    <header>
      <h2>{{ dayName(bag.date) }} <span class="quiet">{{ day.title }}</span></h2>
      <p class="quiet">{{ lines }}</p>
    </header>
    <section v-if="proposal" class="proposal" aria-label="The way that is picked">
      <h2>{{ WAY[proposal.way] }} <span class="quiet">for {{ several > 1 ? `these ${several} days` : dayName(bag.date) }}</span></h2>
      <p>{{ along }}.</p>
      <p v-if="proposal.score < proposal.whole_score - 0.05" class="quiet">Covers {{ Math.round(proposal.score) }} % of the day’s brief; everything that travels would cover {{ Math.round(proposal.whole_score) }} %.</p>
      <p v-if="over" class="bad">{{ over }}</p>
      <p v-for="text in amiss" :key="text" class="quiet">{{ text }}</p>
    </section>
    <h2 v-if="proposal">As it is now</h2>
    <dl class="facts">
      <dt>Bag</dt>
      <dd>{{ bagName }}</dd>
      <template v-for="p in carriers" :key="p.person">
        <dt>{{ names.person(p.person) }}’s back</dt>
        <dd>{{ fmt.load(p.carried_g, units) }}<template v-if="p.share">, {{ fmt.percent(p.share) }} of body mass</template></dd>
      </template>
      <dt>Shots</dt>
      <dd>{{ outThere(bag) }}</dd>
    </dl>
    <OnFoot v-if="bag.walk && day.walk" :walk="bag.walk" :goal="day.walk" :names="names" />
    <FindingsList :findings="findings" :names="names" :busy="busy" @cure="emit('cure', $event)">
      <template #fine><b v-if="bag.loadout">This bag is ready.</b><template v-else>Everything that travels goes along; nothing stays at the base.</template></template>
    </FindingsList>
    <p v-for="p in short" :key="p.type" class="label">{{ packsText(p, names) }}, full in the morning.</p>
    <p v-if="bag.trip_short.length" class="label">Even with every battery of the trip, {{ bag.trip_short.map(names.thing).join(' and ') }} runs out on this day, because too little is charged: <RouterLink :to="{ name: 'stamina' }">Stamina</RouterLink> says why.</p>
    <template v-if="bag.loadout">
      <TabRow v-model="when" label="When" :tabs="[{ name: 'morning', title: 'moves this morning' }, { name: 'evening', title: 'moves this evening' }, { name: 'first', title: 'leave or take' }]" />
      <div v-if="when === 'first'">
        <AdvicePending v-slot="{ advice }" :told="worth" before="Updating: these figures are from before your last click." looking="Calculating what each item is worth that day…">
          <DropsPanel :ledger="advice.ledger" :wants="wants" :over="false" :names="names" :busy="busy" @edit="emit('cure', $event)" />
        </AdvicePending>
      </div>
      <ul v-else class="lines moves">
        <li v-for="m in moves" :key="JSON.stringify(m)">{{ moveText(m, names) }}</li>
        <li v-if="!moves.length" class="quiet">Nothing moves.</li>
      </ul>
      <p v-if="stays.length" class="quiet stays"><b>At the base:</b> {{ stays.join(', ') }}</p>
      <p v-for="text in base ? baseText(base, names) : []" :key="text" class="stays">{{ text }}</p>
    </template>
    <div class="ends">
      <VBtn v-if="proposal" color="primary" variant="flat" :loading="busy" @click="emit('take')">Take it for {{ several > 1 ? `these ${several} days` : dayName(bag.date) }}</VBtn>
      <button v-if="bag.loadout" type="button" class="link" @click="emit('edit')">change it, or see it packed, in Stow</button>
    </div>
  </section>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 9px;
  min-height: 0;
  overflow: auto;
}
header p {
  margin: 0;
}
.moves {
  max-height: none;
}
.moves > li {
  padding: 3px 0;
}
.stays,
.proposal p {
  margin: 0 0 3px;
}
.ends {
  display: flex;
  align-items: center;
  gap: 14px;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 6px 0;
}
</style>
