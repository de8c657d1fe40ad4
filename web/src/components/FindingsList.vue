<script setup lang="ts">
/** What stands in the way, worst first: a line each with its best way out; figures, prices and other ways open. */
import { computed, ref } from 'vue'
import type { Cure, Edit, Finding } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import SeverityMark from './SeverityMark.vue'
import { findingKey, SEVERITIES, type Advised } from '@/wording/advice'
import { cureText, namesAfter, noWayText, partText, touchedText } from '@/wording/cures'
import { say } from '@/wording/findings'

const props = defineProps<{ findings: Advised[]; names: Names; busy: boolean }>()
const emit = defineEmits<{ cure: [edits: Edit[]] }>()
const units = useUnits()

/** What stands then and did not before is the price; what else is gone is told in full where there is room. */
function priceText(cure: Cure, full: boolean): string {
  const names = namesAfter(cure, props.names, units.value)
  const heads = (told: Cure['brings']): string => told.map((one) => say(one as Finding, names, units.value).head).join(' ')
  const also = cure.also.length ? (full ? `also fixes: ${heads(cure.also)}` : `fixes ${cure.also.length} more`) : ''
  const touched = full ? touchedText(cure, names) : ''
  return [partText(cure), touched, cure.brings.length ? `then: ${heads(cure.brings)}` : '', also].filter(Boolean).join('; ')
}
function offered(cure: Cure) {
  return { text: cureText(cure, props.names, units.value), short: priceText(cure, false), price: priceText(cure, true), edits: cure.gets?.length ? [] : (cure.edits ?? []) }
}
const shown = computed(() => {
  const keys = new Map<string, number>()
  return props.findings.map(({ finding, cures, standing }) => {
    // Two parts of one want have one key; they are told apart by their place.
    const name = findingKey(finding)
    const again = keys.get(name) ?? 0
    keys.set(name, again + 1)
    return { key: `${name} ${again}`, finding, standing, said: say({ ...finding, cures }, props.names, units.value), why: noWayText(finding.why), cures: cures.map(offered) }
  })
})
const opened = ref(new Set<string>())
function toggle(key: string): void {
  const next = new Set(opened.value)
  if (!next.delete(key)) next.add(key)
  opened.value = next
}
const SEVERITY = { blocker: 'Must fix', caution: 'Worth a look', note: 'Good to know' } as const
const counts = computed(() => SEVERITIES.map((severity) => ({ severity, count: props.findings.filter(({ finding }) => finding.severity === severity).length })).filter(({ count }) => count))
const COUNT = { blocker: (n: number) => `${n} must fix`, caution: (n: number) => `${n} worth a look`, note: (n: number) => `${n} good to know` } as const
const BEFORE = 'From before your last click; updating'
</script>

<template>
  <div>
    <p v-if="counts.length" class="label counts">
      <span v-for="{ severity, count } in counts" :key="severity" :class="severity">{{ COUNT[severity](count) }}</span>
    </p>
    <ul class="list" aria-label="Findings" aria-live="polite">
      <li v-for="{ key, finding, said, cures, standing, why } in shown" :key="key" :class="finding.severity">
        <SeverityMark class="mark" :severity="finding.severity" role="img" :aria-label="SEVERITY[finding.severity]" />
        <div>
          <button type="button" class="head" :aria-expanded="opened.has(key)" :title="opened.has(key) ? 'Close' : 'Figures and other fixes'" @click="toggle(key)">{{ said.head }}</button>
          <p v-if="opened.has(key)" class="body">{{ said.body }} <template v-if="standing === 'now' && !cures.length">{{ why }}</template></p>
          <span v-if="!cures.length && standing === 'looking'" class="way">Looking for what helps…</span>
          <span v-else-if="standing === 'failed'" class="way">No answer from the app’s server about fixes. Your next click tries again.</span>
          <ul v-if="cures.length" class="cures" :class="{ before: standing === 'before' }" :title="standing === 'before' ? BEFORE : undefined">
            <li v-for="cure in opened.has(key) ? cures : cures.slice(0, 1)" :key="cure.text">
              <button v-if="cure.edits.length" type="button" class="link cure" :disabled="busy || standing === 'before'" @click="emit('cure', cure.edits)">{{ cure.text }}</button>
              <span v-else class="way">{{ cure.text }}</span>
              <span v-if="cure.price" class="label price">{{ opened.has(key) ? cure.price : cure.short }}</span>
            </li>
          </ul>
          <span v-if="standing === 'before'" class="visually-hidden">from before your last click; updating</span>
        </div>
      </li>
      <li v-if="shown.length === 0" class="fine">
        <svg class="mark" width="12" height="12" viewBox="-6 -6 12 12" aria-hidden="true"><circle r="5" /></svg>
        <div><slot name="fine"><b>Nothing to fix.</b> Every leg takes the bags, and no shot has a gap.</slot></div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.list,
.cures {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.counts {
  display: flex;
  gap: 12px;
  margin: 0 0 4px;
}
.counts .blocker {
  color: var(--rust);
}
.list > li {
  background: var(--sheet);
  border-left: 4px solid var(--muted);
  padding: 4px 10px;
  display: flex;
  gap: 8px;
}
.list > li > div {
  flex: 1;
  min-width: 0;
}
.mark {
  flex: none;
  margin-top: 4px;
}
.list > .blocker {
  border-color: var(--rust);
}
.list > .caution {
  border-color: var(--ochre);
}
.list > .fine {
  border-color: var(--moss);
}
.fine svg {
  fill: var(--moss);
}
.head {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
  text-align: left;
  margin-right: 8px;
}
.head:hover {
  color: var(--saddle);
}
.body {
  margin: 2px 0;
}
/* The best way out stands on the line of its finding, where there is room for it. */
.cures,
.cures > li:first-child {
  display: inline;
}
[aria-expanded='true'] ~ .cures,
[aria-expanded='true'] ~ .cures > li {
  display: block;
}
.price {
  margin-left: 6px;
}
.way {
  color: var(--muted);
}
/* What is of the kit before is seen to be; answers that come at once do not flash. */
.before {
  opacity: 0.55;
  transition: opacity 120ms 150ms;
}
.cure:hover:not(:disabled) {
  color: var(--saddle);
}
</style>
