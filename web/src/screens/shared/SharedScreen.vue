<script setup lang="ts">
/** A trip for whoever comes along, by a link: the days, the list bag by bag, notes. Who may pack ticks and writes. */
import { useQuery } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asProblem, byField } from '@/api/problem'
import { benchQuery } from '@/api/queries/bench'
import { packOutQuery } from '@/api/queries/field'
import type { Opened, OutLine } from '@/api/types'
import BrandBar from '@/components/BrandBar.vue'
import TickRow from '@/components/TickRow.vue'
import { useNames } from '@/composables/useBench'
import { useField } from '@/composables/useField'
import { planAlong } from '@/composables/useAlong'
import { usePageTitle } from '@/composables/usePageTitle'
import { usePwa } from '@/composables/usePwa'
import { useSession, useUnits } from '@/composables/useSession'
import { actThrough, openedBefore, openLink } from '@/composables/useSharing'
import { day, span, today } from '@/format/dates'
import * as fmt from '@/format/units'
import { ticked, tickedBy, toggled } from '@/field/subjects'
import BoardsPart from '../trail/BoardsPart.vue'
import { pieces, whereText } from '@/wording/packout'
import { many } from '@/wording/parts'

const props = defineProps<{ secret: string }>()
const units = useUnits()
const opened = ref<Opened | null>(openedBefore(props.secret))
const name = ref(opened.value?.name ?? '')
const problem = ref<ReturnType<typeof asProblem> | null>(null)
const errors = computed(() => byField(problem.value))
const router = useRouter()
const { session } = useSession()
/** Who looks or packs stays here; who plans along goes to the trip itself. */
function enter(found: Opened): void {
  if (found.role === 'plan') {
    planAlong(found)
    void router.replace({ name: 'bench', params: { trip: found.trip, kit: found.kit } })
  } else {
    actThrough(found)
    opened.value = found
  }
}
const wantsAccount = computed(() => 'account' in errors.value)
if (opened.value?.role === 'plan') opened.value = null
if (opened.value) actThrough(opened.value)
onBeforeUnmount(() => opened.value && actThrough(null))
usePwa()

async function open(): Promise<void> {
  try {
    enter(await openLink(props.secret, name.value))
    problem.value = null
  } catch (error) {
    problem.value = asProblem(error)
  }
}
const where = computed(() => ({ trip: opened.value?.trip ?? '', kit: opened.value?.kit ?? '' }))
const bench = useQuery(computed(() => ({ ...benchQuery(where.value), enabled: opened.value !== null })))
const trip = computed(() => bench.data.value?.trip.trip)
usePageTitle(() => trip.value?.name)
const at = computed(() => (bench.data.value && opened.value ? { ...where.value, stamp: bench.data.value.state.stamp } : null))
const list = useQuery(computed(() => packOutQuery(at.value))).data
const field = useField(
  () => where.value.trip,
  () => (opened.value?.role === 'pack' ? `link ${opened.value.link} ${opened.value.name}` : ''),
)
const packs = computed(() => opened.value?.role === 'pack')
/** A link that was opened here before may be over by now. */
const over = computed(() => (bench.error.value && asProblem(bench.error.value).status === 401 ? asProblem(bench.error.value).title : ''))
const things = computed(() => new Map((bench.data.value?.gear ?? []).map((d) => [d.thing.id, d.thing])))
const names = useNames(trip, things)
const lines = computed<OutLine[]>(() => [...(list.value?.bags ?? []).flatMap((b) => b.lines), ...(list.value?.worn ?? [])])
const done = (line: string): boolean => ticked(field.stands.value, line)
const groups = computed(() => [
  ...(list.value?.bags ?? []).filter((b) => b.lines.length).map((b) => ({ id: b.bag, head: names.value.thing(b.bag), under: b.inside ? `goes into ${names.value.thing(b.inside)}` : names.value.person(b.person), lines: b.lines })),
  ...(list.value?.worn.length ? [{ id: 'worn', head: 'On you', under: 'pockets, neck, belt', lines: list.value.worn }] : []),
])
const grams = computed(() => lines.value.reduce((sum, l) => sum + (things.value.get(l.item)?.mass_g ?? 0) * l.count, 0))
/** Who ticked a line, where it was somebody else. */
function by(line: string): string {
  const other = tickedBy(field.stands.value, line)
  return other && other !== opened.value?.name ? `, ticked by ${other}` : ''
}
const entries = computed(() => bench.data.value?.state.kit.entries ?? [])
const notes = computed(() => field.stands.value.log.filter((m) => m.what.do === 'note').slice(-20))
const text = ref('')
function write(): void {
  if (!text.value.trim()) return
  void field.mark({ do: 'note', day: today(), text: text.value.trim() })
  text.value = ''
}
const waits = computed(() => (field.toSend.value ? `${many(field.toSend.value, 'note')} ${field.toSend.value === 1 ? 'waits' : 'wait'} on this device for a network` : ''))
</script>

<template>
  <div class="shared">
    <BrandBar><span v-if="trip" class="grow">{{ trip.name }}</span><span v-if="opened?.name" class="quiet">{{ opened.name }}</span></BrandBar>
    <main id="screen" tabindex="-1">
      <form v-if="!opened || over" class="enter" @submit.prevent="open">
        <h1>A trip is shared with you</h1>
        <p v-if="over" class="wrong" role="alert">{{ over }}</p>
        <p v-if="wantsAccount" role="alert">This link lets you plan along. For that you need your own account. <RouterLink class="link" :to="{ name: 'welcome', query: { next: `/shared/${secret}` } }">Sign in or make an account</RouterLink>, then you come back to this page.</p>
        <p v-else>Your name appears beside your ticks and notes. You need no account to look or to pack. {{ session?.name ? `To plan along you are signed in as ${session.name}.` : '' }}</p>
        <VTextField v-model="name" label="Your name" maxlength="40" autofocus :error-messages="wantsAccount ? undefined : errors.name" />
        <p v-if="errors.secret" class="wrong" role="alert">This needs {{ errors.secret }}.</p>
        <p v-else-if="problem && !Object.keys(errors).length" class="wrong" role="alert">{{ problem.title }}</p>
        <VBtn type="submit" color="primary" variant="flat">Open it</VBtn>
      </form>
      <p v-else-if="bench.error.value" class="wrong" role="alert">{{ asProblem(bench.error.value).title }}</p>
      <p v-else-if="!trip || !list" class="quiet" role="status">Laying out the gear…</p>
      <template v-else>
        <h1>{{ trip.name }}</h1>
        <p class="quiet">{{ [trip.place, trip.days?.length ? span(trip.days[0]!.date, trip.days.at(-1)!.date) : '', (trip.people ?? []).map((p) => p.name).join(' + ')].filter(Boolean).join(' · ') }}</p>
        <p><b>{{ bench.data.value?.state.kit.name }}</b>: {{ many(lines.length, 'line') }}, {{ fmt.load(grams, units) }}<template v-if="packs">; {{ lines.filter((l) => done(l.id)).length }} of {{ lines.length }} in</template>. {{ packs ? 'Tick items as you pack them. It works without a network, too.' : 'With this link you can look, not tick.' }}</p>
        <p v-if="waits" class="label" role="status">{{ waits }}</p>
        <p v-for="one in field.refused.value" :key="one.mark.id" class="wrong" role="alert">Not taken: {{ one.refused }}</p>
        <section v-if="trip.days?.length" aria-label="Days">
          <h2>Days</h2>
          <ul class="days"><li v-for="d in trip.days" :key="d.date"><b>{{ day(d.date) }}</b> {{ d.title }}<span class="quiet place">{{ [d.place, fmt.temperature(d.lowest_c ?? 15, units), d.on_foot_h ? `${d.on_foot_h} h on foot` : ''].filter(Boolean).join(', ') }}</span></li></ul>
        </section>
        <section aria-label="The list">
          <h2>The list</h2>
          <div class="columns">
            <section v-for="g in groups" :key="g.id" :aria-label="g.head">
              <h3>{{ g.head }} <span class="quiet">{{ g.under }}</span></h3>
              <ul class="lines">
                <li v-for="l in g.lines" :key="l.id">
                  <TickRow v-if="packs" :done="done(l.id)" :head="pieces(names.thing(l.item), l.count)" :body="whereText(l, list.rooms, names.person) + by(l.id)" @tick="field.mark(toggled(l.id))" />
                  <span v-else><b>{{ pieces(names.thing(l.item), l.count) }}</b> <span class="quiet">{{ whereText(l, list.rooms, names.person) }}{{ done(l.id) ? ', in' : '' }}</span></span>
                </li>
              </ul>
            </section>
          </div>
        </section>
        <BoardsPart v-if="packs && bench.data.value" class="boards" :entries="entries" :things="things" :field="field" :signs="trip.signs ?? {}" :copies="bench.data.value.state.assessment.lasts.copies" />
        <section aria-label="Notes">
          <h2>Notes</h2>
          <p v-if="!notes.length" class="quiet">Nothing noted yet.</p>
          <ul class="lines"><li v-for="m in notes" :key="m.id"><template v-if="m.what.do === 'note'"><b>{{ m.by ?? 'the owner' }}</b>, {{ day(m.what.day) }}: {{ m.what.text }}</template></li></ul>
          <form v-if="packs" class="note" @submit.prevent="write"><VTextField v-model="text" label="Note for everyone" maxlength="2000" hide-details /><VBtn type="submit" :disabled="!text.trim()">Note it</VBtn></form>
        </section>
      </template>
    </main>
  </div>
</template>

<style scoped>
.boards {
  max-width: 560px;
  margin-top: 18px;
}
.shared {
  height: 100%;
  overflow: auto;
}
.grow {
  flex: 1;
}
main {
  max-width: 1100px;
  padding: 18px 20px 60px;
}
.enter {
  display: flex;
  flex-direction: column;
  gap: 12px;
  max-width: 360px;
}
.columns {
  columns: 2 380px;
  column-gap: 30px;
}
.columns > section {
  break-inside: avoid-column;
  margin-bottom: 14px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.lines li,
.days li {
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.place {
  margin-left: 8px;
}
h2 {
  margin: 18px 0 6px;
}
.note {
  display: flex;
  gap: 10px;
  margin-top: 10px;
}
.wrong {
  color: var(--rust);
}
</style>
