<script setup lang="ts">
/** The scales at the foot of every trip screen: bags against their limits, backs, litres, brief. */
import { computed } from 'vue'
import type { Assessment, ByDays, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { PIECE } from '@/wording/kinds'
import { capital } from '@/wording/parts'
import { assumedNights, backNote, bagScales, briefScale, cardScale, personScales, powerScale, refusal, volumeScales, weighedText } from '@/wording/scales'
import { byDaysText, summaryText, wantText } from '@/wording/outings'
import ScaleCell from './ScaleCell.vue'

const props = defineProps<{ assessment: Assessment; trip: Trip; names: Names; trial?: boolean; aDay?: boolean; byDays?: ByDays }>()
const units = useUnits()

const bags = computed(() => bagScales(props.assessment))
const people = computed(() => personScales(props.assessment))
const volumes = computed(() => volumeScales(props.assessment))
const brief = computed(() => briefScale(props.assessment))
const worst = computed(() => bags.value[0])
const back = computed(() => people.value[0])
const fullest = computed(() => volumes.value[0])
const lasts = computed(() => props.assessment.lasts)
const power = computed(() => powerScale(lasts.value, props.names.thing, Boolean(props.trip.mains)))
const cards = computed(() => cardScale(lasts.value))
const assumed = computed(() => assumedNights(lasts.value, Boolean(props.trip.mains)))

function load(grams: number): { figure: string; unit: string } {
  const [figure = '', unit = ''] = fmt.load(grams, units.value).split(' ')
  return { figure, unit }
}
/** The first leg that refuses something. */
const refusing = computed(() => props.assessment.legs.find((leg) => !leg.passes)?.leg)
const bagNote = computed(() => {
  const bag = worst.value
  if (loose.value) return `${fmt.load(loose.value, units.value)} in no bag`
  if (!bag) return 'no bag loaded'
  const over = bag.limit_g !== null && bag.mass_g > bag.limit_g
  if (refusing.value && !over) return `leg ${legNumber(refusing.value)} refuses`
  if (bag.limit_g === null) return 'no leg weighs it'
  const by = fmt.mass(Math.abs(bag.mass_g - bag.limit_g), units.value)
  return over ? `${by} over, leg ${legNumber(bag.leg)}` : `${by} to spare`
})
function weighed(bag: string): string {
  const held = props.assessment.loads.bags.find((b) => b.bag === bag)
  return held ? weighedText(held, units.value) : ''
}
/** What travels with nobody's bag is in no bag's figure. */
const loose = computed(() => props.assessment.loads.people.reduce((sum, p) => sum + p.unplaced_g, 0))
function legNumber(leg: string | null | undefined): number {
  return props.assessment.legs.findIndex((l) => l.leg === leg) + 1
}
/** Wants that some day asks for and does not have out there. */
const missed = computed(() => props.byDays?.wants.filter((w) => w.there.length < w.wanted.length) ?? [])
const briefNote = computed(() => {
  if (!brief.value.weakest) return 'no shots yet'
  if (!props.assessment.coverage.reach.length) return 'nothing here takes a picture'
  const by = byDaysText(props.byDays)
  return by || `weakest: ${props.names.want(brief.value.weakest)}`
})
function limitText(limit: number | null): string {
  return limit === null ? '' : ` of ${fmt.limit(limit, units.value).split(' ')[0]}`
}
</script>

<template>
  <footer class="foot" :class="{ trial }" :aria-label="trial ? 'Scales, as they would be' : 'Scales'">
    <span v-if="trial" class="what-if">what if</span>
    <span v-else-if="aDay" class="what-if whole">the whole kit</span>
    <ScaleCell
      help="bags"
      :title="worst ? `${PIECE[worst.piece]}, ${names.person(worst.person)}` : 'Cabin bag'"
      :figure="load(worst?.mass_g ?? 0).figure"
      :unit="`${load(0).unit}${limitText(worst?.limit_g ?? null)}`"
      :note="bagNote"
      :share="worst?.limit_g ? worst.mass_g / worst.limit_g : worst ? 0.5 : 0"
      :mark="worst?.limit_g ? Math.min(1, worst.limit_g / worst.mass_g) : null"
      :over="Boolean(loose || refusing || (worst?.limit_g && worst.mass_g > worst.limit_g))"
    >
      <h2>Bags against the strictest leg</h2>
      <table>
        <thead><tr><th>Bag</th><th class="number">weighs</th><th class="number">may weigh</th><th>on</th></tr></thead>
        <tbody>
          <tr v-for="bag in bags" :key="bag.bag">
            <td>{{ names.thing(bag.bag) }}, {{ names.person(bag.person) }}<div v-if="weighed(bag.bag)" class="label">{{ weighed(bag.bag) }}</div></td>
            <td class="number">{{ fmt.load(bag.mass_g, units) }}</td>
            <td class="number">{{ bag.limit_g === null ? 'not limited' : fmt.limit(bag.limit_g, units) }}</td>
            <td>{{ bag.leg ? names.leg(bag.leg) : '' }}</td>
          </tr>
        </tbody>
      </table>
      <h2 class="second">Leg by leg</h2>
      <table>
        <thead><tr><th>Leg</th><th>Limit</th></tr></thead>
        <tbody>
          <tr v-for="leg in assessment.legs" :key="leg.leg">
            <td>{{ names.leg(leg.leg) }}</td>
            <td>
              <template v-if="!leg.limits">no limits</template>
              <template v-else-if="leg.passes">takes everything</template>
              <template v-else>{{ leg.checks.filter((c) => !c.passes).map((c) => `${c.bag ? names.thing(c.bag) : names.person(c.person)}: ${refusal(c, units)}`).join('; ') }}</template>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="label">Usual rules as you entered them; your carrier decides at the gate.</p>
    </ScaleCell>

    <ScaleCell
      help="back"
      :title="back ? `On the back, ${names.person(back.person)}` : 'On the back'"
      :figure="load(back?.carried_g ?? 0).figure"
      :unit="load(0).unit"
      :note="backNote(back?.share)"
      :share="(back?.share ?? 0) / 0.3"
      :mark="back?.share ? 0.2 / 0.3 : null"
      :over="(back?.share ?? 0) >= 0.2"
    >
      <h2>Load of each person</h2>
      <table>
        <thead><tr><th>Who</th><th class="number">bags</th><th class="number">worn</th><th class="number">not photography</th><th class="number">in all</th><th class="number">of body mass</th></tr></thead>
        <tbody>
          <tr v-for="person in people" :key="person.person">
            <td>{{ names.person(person.person) }}</td>
            <td class="number">{{ fmt.load(person.cabin_g + person.personal_g, units) }}</td>
            <td class="number">{{ fmt.load(person.worn_g, units) }}</td>
            <td class="number">{{ fmt.load(person.base_g, units) }}</td>
            <td class="number">{{ fmt.load(person.carried_g, units) }}</td>
            <td class="number">{{ person.share === null ? '' : fmt.percent(person.share) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="label">Hold bags roll and are not counted. Caution lines at 15, 20 and 25 % are general guidance, not medical advice.</p>
    </ScaleCell>

    <ScaleCell
      help="volume"
      :title="fullest ? `Volume, ${names.thing(fullest.bag)}` : 'Volume'"
      :figure="fmt.volume(fullest?.litres ?? 0, units).split(' ')[0] ?? ''"
      :unit="fmt.volume(0, units).split(' ')[1] + (fullest ? ` of ${fmt.volume(fullest.volume_l, units).split(' ')[0]}` : '')"
      :note="fullest ? `${fmt.percent(fullest.litres / fullest.volume_l)} by outer sizes` : 'no bag loaded'"
      :share="fullest ? fullest.litres / fullest.volume_l : 0"
      :mark="fullest ? Math.min(1, fullest.volume_l / Math.max(fullest.litres, 0.001)) : null"
      :over="Boolean(fullest && fullest.litres > fullest.volume_l)"
    >
      <h2>Litres in each bag and insert</h2>
      <table>
        <thead><tr><th>Bag</th><th class="number">holds</th><th class="number">has</th><th class="number">full</th></tr></thead>
        <tbody>
          <tr v-for="bag in volumes" :key="bag.bag">
            <td>{{ names.thing(bag.bag) }}</td>
            <td class="number">{{ fmt.volume(bag.litres, units) }}</td>
            <td class="number">{{ fmt.volume(bag.volume_l, units) }}</td>
            <td class="number">{{ fmt.percent(bag.litres / bag.volume_l) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="label">Added up from outer sizes, before anything is stowed: over about 80 % expect a squeeze.</p>
    </ScaleCell>

    <ScaleCell
      help="power"
      title="Power"
      :figure="String(power.days ?? '–')"
      :unit="`of ${lasts.days} days`"
      :note="power.note"
      :share="(power.days ?? 0) / (lasts.days || 1)"
      :mark="1"
      :over="power.days !== null && power.days < lasts.days"
    >
      <h2>Does the power last</h2>
      <table>
        <thead><tr><th>type</th><th class="number">loaded</th><th class="number">least to spare</th><th>on</th></tr></thead>
        <tbody>
          <tr v-for="t in lasts.types" :key="t.type">
            <td>{{ names.thing(t.type) }}</td>
            <td class="number">{{ t.packs }}</td>
            <td class="number">{{ t.worst_margin === null ? '' : t.worst_margin < 0 ? `${fmt.percent(-t.worst_margin)} short` : fmt.percent(t.worst_margin) }}</td>
            <td>{{ t.short_on ? `runs out on ${day(t.short_on)}` : t.worst_on ? day(t.worst_on) : '' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="assumed" class="label">{{ capital(assumed) }}. Set them in Stamina, or for all nights at once in the Brief.</p>
      <p class="label">Cold and rates are estimates: Stamina shows the sums, battery by battery.</p>
    </ScaleCell>

    <ScaleCell
      help="cards"
      title="Cards"
      :figure="String(cards.days ?? '–')"
      :unit="`of ${lasts.days} days`"
      :note="cards.note"
      :share="(cards.days ?? 0) / (lasts.days || 1)"
      :mark="1"
      :over="cards.days !== null && cards.days < lasts.days"
    >
      <h2>Do the cards last</h2>
      <table>
        <thead><tr><th>cards</th><th class="number">loaded</th><th class="number">used up</th><th>run out</th></tr></thead>
        <tbody>
          <tr v-for="c in lasts.cards" :key="c.type"><td>{{ c.type }}</td><td class="number">{{ c.loaded }}</td><td class="number">{{ c.needed }}</td><td>{{ c.full_on ? day(c.full_on) : 'no' }}</td></tr>
        </tbody>
      </table>
      <p class="label">“Used up”: how many cards the trip would fill if you had enough, with the approach you picked in Stamina.</p>
    </ScaleCell>

    <ScaleCell
      help="brief"
      title="Brief"
      :figure="fmt.figure(brief.score)"
      unit="% covered"
      :note="briefNote"
      :share="brief.score / 100"
      :mark="1"
    >
      <h2>How much of each shot is met</h2>
      <table>
        <thead><tr><th>Shot</th><th class="number">importance</th><th class="number">met</th></tr></thead>
        <tbody>
          <tr v-for="want in assessment.coverage.wants" :key="want.want">
            <td>{{ names.want(want.want) }}</td>
            <td class="number">{{ trip.wants?.find((w) => w.id === want.want)?.importance }}</td>
            <td class="number">{{ fmt.percent(want.cover) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="label">The figure is their mean, weighted by importance, with everything that travels.</p>
      <template v-if="byDays">
        <h2 class="second">By each day’s bag</h2>
        <p>{{ summaryText(byDays) }}</p>
        <ul class="lines"><li v-for="w in missed" :key="w.want">{{ wantText(w, names) }}</li></ul>
        <RouterLink class="link" :to="{ name: 'days', params: { trip: trip.id } }">The day’s bag</RouterLink>
      </template>
    </ScaleCell>
  </footer>
</template>

<style scoped>
.foot {
  display: flex;
  height: 72px;
  background: var(--foot);
  color: var(--foot-ink);
  flex: none;
  position: relative;
}
.trial {
  box-shadow: inset 0 3px 0 var(--ochre);
}
.what-if {
  position: absolute;
  bottom: 100%;
  left: 0;
  background: var(--ochre);
  color: var(--thing-ink);
  font-size: var(--text-tiny);
  padding: 0 6px;
  z-index: 1;
}
/* The screen above is about one day; the scales are not. */
.what-if.whole {
  background: var(--foot);
  color: var(--foot-ink);
}
.second {
  margin-top: 12px;
}
</style>
