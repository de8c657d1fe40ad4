<script setup lang="ts">
/** What stands in the way, and what to do about it. Cures with edits are buttons. */
import { computed } from 'vue'
import type { Edit, Finding } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { useUnits } from '@/composables/useSession'
import { cureText, say } from '@/wording/findings'

const props = defineProps<{ findings: Finding[]; names: Names; busy: boolean }>()
const emit = defineEmits<{ cure: [edits: Edit[]] }>()
const units = useUnits()
const shown = computed(() =>
  props.findings.map((finding) => ({
    finding,
    said: say(finding, props.names, units.value),
    cures: (finding.cures ?? []).map((cure) => ({ text: cureText(cure, props.names, units.value), edits: cure.edits ?? [] })),
  })),
)
const SEVERITY = { blocker: 'Stops the trip', caution: 'Look at this', note: 'Good to know' } as const
</script>

<template>
  <ul class="findings" aria-label="Findings" aria-live="polite">
    <li v-for="{ finding, said, cures } in shown" :key="finding.code + JSON.stringify(finding.refs) + finding.items?.join()" :class="finding.severity">
      <svg width="12" height="12" viewBox="-6 -6 12 12" role="img" :aria-label="SEVERITY[finding.severity]">
        <rect v-if="finding.severity === 'blocker'" x="-4" y="-4" width="8" height="8" transform="rotate(45)" />
        <path v-else-if="finding.severity === 'caution'" d="M0 -5.500L5.800 4.500H-5.800z" />
        <circle v-else r="4" />
      </svg>
      <div>
        <b>{{ said.head }}</b> {{ said.body }}
        <template v-for="(cure, index) in cures" :key="cure.text">
          <template v-if="index > 0"> or </template>
          <button v-if="cure.edits.length" type="button" class="link cure" :disabled="busy" @click="emit('cure', cure.edits)">{{ cure.text }}</button>
          <span v-else class="way">{{ cure.text }}</span>
        </template>
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
.way {
  color: var(--muted);
}
.cure:hover:not(:disabled) {
  color: var(--saddle);
}
</style>
