<script setup lang="ts">
/** Who carries what: backs before and after, and the moves, each to be taken or not. */
import { computed, ref, watch } from 'vue'
import type { Edit, Person } from '@/api/types'
import type { Stamped } from '@/api/asking'
import { useSplit } from '@/composables/useBags'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { actText, sharedText, sharesText } from '@/wording/bags'

const props = defineProps<{ at: Stamped | null; names: Names; people: readonly Person[]; busy: boolean }>()
const emit = defineEmits<{ share: [edits: Edit[]] }>()
const units = useUnits()
/** Moves that are not taken, by their place in the list. */
const left = ref(new Set<number>())
const { split, splitting, failed, shared } = useSplit(
  () => props.at,
  // What all of them come to was told with them.
  () => (left.value.size ? edits.value : []),
)
const acts = computed(() => split.value?.acts ?? [])
const taken = computed(() => acts.value.filter((_, i) => !left.value.has(i)))
const edits = computed<Edit[]>(() => taken.value.flatMap((a) => [...a.edits]))
/** What the taken moves come to: all of them, as proposed; none, as it is. */
const comes = computed(() => (left.value.size && taken.value.length ? shared.value : split.value?.comes_to))
const none = computed(() => !taken.value.length)
watch(split, () => (left.value = new Set()))
function toggle(index: number): void {
  const next = new Set(left.value)
  if (!next.delete(index)) next.add(index)
  left.value = next
}
const most = computed(() => Math.max(1, ...(comes.value?.people ?? []).flatMap((p) => [p.before_g, p.after_g]), ...props.people.map((p) => (p.carries_well_kg ?? 0) * 1000)) * 1.02)
const bars = computed(() =>
  (comes.value?.people ?? []).map((p) => {
    const well = props.people.find((one) => one.id === p.person)?.carries_well_kg
    const after = none.value ? p.before_g : p.after_g
    const share = none.value ? p.before_share : p.after_share
    return { person: p.person, before: p.before_g, after, beforeShare: p.before_share, afterShare: share, well: well ? well * 1000 : null }
  }),
)
const LEFT = 92
const WIDE = 338
const ROW = 26
const x = (grams: number): number => LEFT + (grams / most.value) * (WIDE - LEFT - 62)
</script>

<template>
  <section class="share" aria-label="Who carries what">
    <h2>Who carries what <span class="quiet">shared things only</span></h2>
    <p v-if="splitting" class="quiet" role="status">Dividing the load…</p>
    <p v-else-if="failed" class="bad" role="alert">No answer from the app’s server. Try again in a moment.</p>
    <template v-else-if="split && comes">
      <svg class="bars" :viewBox="`0 0 ${WIDE} ${bars.length * ROW * 2 + 8}`" role="img" :aria-label="bars.map((b) => `${names.person(b.person)} ${fmt.load(b.before, units)} now, ${fmt.load(b.after, units)} then`).join('; ')">
        <g v-for="(b, i) in bars" :key="b.person" :transform="`translate(0 ${i * ROW * 2})`">
          <text x="0" y="16">{{ names.person(b.person) }}, now</text>
          <rect class="was" :x="LEFT" y="4" :width="x(b.before) - LEFT" height="15" rx="2" />
          <text class="figure" :x="WIDE" y="16">{{ fmt.load(b.before, units) }}</text>
          <text x="0" :y="16 + ROW - 6" class="then">then</text>
          <rect class="will" :x="LEFT" :y="ROW - 2" :width="x(b.after) - LEFT" height="15" rx="2" />
          <text class="figure" :x="WIDE" :y="16 + ROW - 6">{{ fmt.load(b.after, units) }}</text>
          <line v-if="b.well" class="well" :x1="x(b.well)" :x2="x(b.well)" y1="0" :y2="ROW + 17" />
        </g>
      </svg>
      <p class="label">{{ sharesText(bars, comes.measure, names) }}</p>
      <p v-if="!acts.length" class="quiet">{{ split.proved ? 'Nothing is worth moving: no move takes 200 g off the heaviest load.' : 'No useful move was found in time.' }}</p>
      <template v-else>
        <ul class="lines" aria-label="Moves">
          <li v-for="(act, i) in acts" :key="act.items.join() + act.to_person" class="act">
            <label><input type="checkbox" :checked="!left.has(i)" @change="toggle(i)" /> <span><b>{{ actText(act, names).what }}</b> to {{ actText(act, names).where }}</span></label>
            <span class="label">{{ fmt.mass(act.mass_g, units) }}</span>
          </li>
        </ul>
        <p v-if="!none && sharedText(comes, names, units)" class="comes">{{ sharedText(comes, names, units) }}</p>
        <p class="label">{{ left.size ? '' : split.proved ? 'Proved: no other division is better. Every bag was packed.' : 'The best found in time. Every bag was packed.' }} Worn or pinned gear, medicine and single pieces of safety gear stay where they are.</p>
        <VBtn color="primary" variant="flat" :loading="busy" :disabled="none" @click="emit('share', edits)">{{ left.size ? `Move these ${taken.length}` : 'Divide it this way' }}</VBtn>
      </template>
    </template>
  </section>
</template>

<style scoped>
.share p {
  margin: 0;
}
.share {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: stretch;
}
.bars {
  width: 100%;
  font-size: var(--text-small);
}
.bars text {
  fill: var(--ink);
}
.bars .then {
  fill: var(--muted);
}
.bars .figure {
  font-weight: 600;
  text-anchor: end;
}
.was {
  fill: var(--saddle);
}
.will {
  fill: var(--moss);
}
.well {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}
.act {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  padding: 4px 0;
}
.act label {
  display: flex;
  align-items: baseline;
  gap: 7px;
}
.act .label {
  white-space: nowrap;
}
.share :deep(.v-btn) {
  align-self: flex-start;
}
.comes {
  border-left: 4px solid var(--moss);
  background: var(--sheet);
  padding: 8px 10px;
}
</style>
