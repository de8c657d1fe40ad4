<script setup lang="ts">
/** What stands in the way, and what to do about it. Cures with edits are buttons. */
import { computed, ref } from 'vue'
import type { Edit } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { useUnits } from '@/composables/useSession'
import { findingKey, type Advised } from '@/wording/advice'
import { cureText, say, uncured } from '@/wording/findings'
import { many } from '@/wording/parts'

const props = defineProps<{ findings: Advised[]; names: Names; busy: boolean }>()
const emit = defineEmits<{ cure: [edits: Edit[]] }>()
const units = useUnits()
const shown = computed(() =>
  props.findings.map(({ finding, cures, standing }) => ({
    finding,
    standing,
    said: say(finding, props.names, units.value),
    cures: cures.map((cure) => ({ text: cureText(cure, props.names, units.value), edits: cure.edits ?? [] })),
  })),
)
/** The first way out stands beside each finding; the others open. */
const opened = ref(new Set<string>())
function toggle(key: string): void {
  const next = new Set(opened.value)
  if (!next.delete(key)) next.add(key)
  opened.value = next
}
const SEVERITY = { blocker: 'Stops the trip', caution: 'Look at this', note: 'Good to know' } as const
</script>

<template>
  <ul class="findings" aria-label="Findings" aria-live="polite">
    <li v-for="{ finding, said, cures, standing } in shown" :key="findingKey(finding)" :class="finding.severity">
      <svg width="12" height="12" viewBox="-6 -6 12 12" role="img" :aria-label="SEVERITY[finding.severity]">
        <rect v-if="finding.severity === 'blocker'" x="-4" y="-4" width="8" height="8" transform="rotate(45)" />
        <path v-else-if="finding.severity === 'caution'" d="M0 -5.500L5.800 4.500H-5.800z" />
        <circle v-else r="4" />
      </svg>
      <div>
        <b>{{ said.head }}</b> {{ said.body }}
        <template v-if="standing === 'now' && !cures.length">{{ uncured(finding) }}</template>
        <p v-if="cures.length || standing === 'looking'" class="cures" :class="{ before: standing === 'before' }" :title="standing === 'before' ? 'Of the kit before your last click; looking again' : undefined">
          <template v-for="(cure, index) in opened.has(findingKey(finding)) ? cures : cures.slice(0, 1)" :key="cure.text">
            <template v-if="index > 0"> or </template>
            <button v-if="cure.edits.length" type="button" class="link cure" :disabled="busy || standing === 'before'" @click="emit('cure', cure.edits)">{{ cure.text }}</button>
            <span v-else class="way">{{ cure.text }}</span>
          </template>
          <template v-if="cures.length > 1">{{ ' ' }}<button type="button" class="link more" :aria-expanded="opened.has(findingKey(finding))" @click="toggle(findingKey(finding))">{{ opened.has(findingKey(finding)) ? 'fewer' : `or ${many(cures.length - 1, 'other way')}` }}</button></template>
          <span v-if="standing === 'looking'" class="way">Looking for what helps…</span>
          <span v-else-if="standing === 'before'" class="visually-hidden">of the kit before; looking again</span>
        </p>
      </div>
    </li>
    <li v-if="shown.length === 0" class="fine">
      <svg width="12" height="12" viewBox="-6 -6 12 12" aria-hidden="true"><circle r="5" /></svg>
      <div><b>Nothing to mend.</b> Every leg takes it, and no want has a gap.</div>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
li {
  background: var(--sheet);
  border-left: 4px solid var(--muted);
  padding: 7px 10px;
  display: flex;
  gap: 8px;
}
li > div {
  flex: 1;
}
svg {
  flex: none;
  margin-top: 4px;
  fill: var(--muted);
}
.blocker {
  border-color: var(--rust);
}
.blocker svg {
  fill: var(--rust);
}
.caution {
  border-color: var(--ochre);
}
.caution svg {
  fill: var(--ochre);
}
.fine {
  border-color: var(--moss);
}
.fine svg {
  fill: var(--moss);
}
.cures {
  margin: 2px 0 0;
}
.more {
  color: var(--muted);
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
