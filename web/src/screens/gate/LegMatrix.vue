<script setup lang="ts">
/** Legs and bags against each other: what each carrier asks of each piece, strict, and if they weigh it. */
import { computed } from 'vue'
import type { Assessment, Carrier, Check, Kit, Trip } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { against, LIMIT } from '@/wording/gate'
import { PIECE } from '@/wording/kinds'
import { refusal, weighedText } from '@/wording/scales'

const props = defineProps<{ assessment: Assessment; trip: Trip; kit: Kit; carriers: Map<string, Carrier>; names: Names }>()
const units = useUnits()
/** Bags of the transit packing, and those that are carried by themselves only on legs that are packed otherwise. */
const pieces = computed(() => {
  const transit = props.assessment.loads.pieces
  const more = props.assessment.legs.flatMap((l) => l.checks).filter((c) => c.bag && c.piece && !transit.some((p) => p.bag === c.bag))
  const others = [...new Map(more.map((c) => [c.bag, { bag: c.bag!, piece: c.piece!, person: c.person, mass_g: null, size_mm: null }])).values()]
  return [...transit, ...others]
})
const loadouts = computed(() => new Map((props.kit.stow?.loadouts ?? []).map((l) => [l.id, l.name])))
const rows = computed(() =>
  props.assessment.legs.map((leg) => ({
    leg,
    carrier: leg.carrier ? props.carriers.get(leg.carrier) : undefined,
    cells: pieces.value.map((piece) => leg.checks.filter((c) => c.bag === piece.bag)),
    people: leg.checks.filter((c) => c.bag === null && !c.passes),
  })),
)
/** The small plane decides for all: the leg with least room for each limit of each bag. */
const strictest = computed(() => {
  const refused = rows.value.filter((r) => !r.leg.passes)
  return refused.length && refused.length < rows.value.length ? refused.map((r) => props.names.leg(r.leg.leg)) : []
})
function weighed(bag: string): string {
  const held = props.assessment.loads.bags.find((b) => b.bag === bag)
  const said = held ? weighedText(held, units.value) : ''
  return said ? ` (${said})` : ''
}
/** What no bag holds is weighed nowhere: then no leg simply goes. */
const loose = computed(() => props.assessment.loads.people.filter((p) => p.unplaced_g > 0))
function state(checks: Check[]): 'fine' | 'weighed' | 'refused' | 'free' {
  if (!checks.length) return 'free'
  const failed = checks.filter((c) => !c.passes)
  if (!failed.length) return 'fine'
  return failed.every((c) => c.limit === 'mass') ? 'weighed' : 'refused'
}
const MARK = { fine: '✓', weighed: '▲', refused: '◆', free: '–' } as const
const SAYS = { fine: 'goes', weighed: 'if they weigh it', refused: 'too big', free: 'no limit stated' } as const
</script>

<template>
  <div class="matrix">
    <table>
      <thead>
        <tr>
          <th>leg</th>
          <th v-for="p in pieces" :key="p.bag">{{ names.thing(p.bag) }}<div class="quiet">{{ PIECE[p.piece] }}, {{ names.person(p.person) }}</div><div v-if="p.mass_g !== null" class="quiet">{{ fmt.load(p.mass_g, units) }}{{ weighed(p.bag) }}, {{ fmt.sides(p.size_mm, units) }}</div></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.leg.leg">
          <th scope="row">{{ names.leg(r.leg.leg) }}<div class="quiet">{{ r.carrier ? r.carrier.name : 'no carrier' }}</div><div v-if="r.leg.loadout" class="quiet">packed as “{{ loadouts.get(r.leg.loadout) ?? r.leg.loadout }}”</div></th>
          <td v-for="(checks, index) in r.cells" :key="pieces[index]!.bag" :class="state(checks)">
            <b>{{ MARK[state(checks)] }} {{ r.leg.loadout && !checks.length ? 'no limit, or not packed this way' : state(checks) === 'refused' && checks.every((c) => c.passes || c.limit === 'mass') ? 'too heavy' : SAYS[state(checks)] }}<template v-if="state(checks) === 'weighed'">: {{ refusal(checks.find((c) => !c.passes)!, units) }}</template></b>
            <div v-for="c in checks" :key="c.limit" class="label" :class="{ bad: !c.passes }">{{ LIMIT[c.limit] }} {{ against(c, units) }}</div>
          </td>
        </tr>
        <tr v-for="r in rows.filter((row) => row.people.length)" :key="`${r.leg.leg}-people`">
          <th scope="row">{{ names.leg(r.leg.leg) }}</th>
          <td :colspan="pieces.length" class="bad"><div v-for="c in r.people" :key="c.person + c.limit">◆ {{ names.person(c.person) }}: {{ refusal(c, units) }}</div></td>
        </tr>
      </tbody>
    </table>
    <p v-for="p in loose" :key="p.person" class="bad">◆ {{ fmt.load(p.unplaced_g, units) }} of {{ names.person(p.person) }} {{ pieces.length ? 'are in none of these bags' : 'are in no bag' }}: the figures above leave them out.</p>
    <p v-if="!pieces.length" class="quiet">No bag is loaded, so there is nothing to weigh or measure yet.</p>
    <p v-if="strictest.length">{{ strictest.join(' and ') }} {{ strictest.length > 1 ? 'set' : 'sets' }} the limit for the whole journey, unless you repack on the way: make a loadout for that leg in Stow.</p>
    <p class="quiet">▲ Fits by size; too heavy only if weighed. Gear strapped outside counts.</p>
  </div>
</template>

<style scoped>
.matrix {
  overflow: auto;
}
th,
td {
  vertical-align: top;
  padding: 8px 10px 8px 0;
}
thead th {
  font-weight: 700;
  color: var(--ink);
}
th[scope='row'] {
  text-align: left;
}
.refused b,
.weighed b,
.bad {
  color: var(--rust);
}
.fine b {
  color: var(--moss);
}
p {
  margin: 8px 0 0;
}
</style>
