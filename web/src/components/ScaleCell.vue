<script setup lang="ts">
/** One scale at the foot: a figure against its limit, opening the reason behind it. */
import { ref } from 'vue'
import type { HelpTopic } from '@/wording/help'
import HowReckoned from './HowReckoned.vue'

defineProps<{
  title: string
  help: HelpTopic
  figure: string
  unit: string
  note: string
  share: number
  mark?: number | null
  over?: boolean
}>()
const open = ref(false)
</script>

<template>
  <VMenu v-model="open" location="top" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <button v-bind="activator" type="button" class="cell" :class="{ over }">
        <span class="line">
          <span class="title" :title="title">{{ title }}</span>
          <span class="note" :title="note">{{ note }}</span>
        </span>
        <span class="value"><b>{{ figure }}</b> {{ unit }}<span v-if="over" class="visually-hidden">, look into it</span></span>
        <span class="bar" aria-hidden="true">
          <span class="fill" :style="{ width: `${Math.min(100, share * 100)}%` }" />
          <span v-if="mark !== null && mark !== undefined" class="mark" :style="{ left: `${Math.min(100, mark * 100)}%` }" />
        </span>
      </button>
    </template>
    <div class="sheet why"><slot /><HowReckoned :topic="help" /></div>
  </VMenu>
</template>

<style scoped>
.cell {
  flex: 1 1 0;
  min-width: 0;
  background: none;
  border: 0;
  border-left: 1px solid var(--foot-line);
  color: var(--foot-ink);
  font: inherit;
  text-align: left;
  padding: 7px 16px 0;
  cursor: pointer;
  display: flex;
  flex-direction: column;
}
.cell:first-child {
  border-left: 0;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  font-size: var(--text-small);
  font-stretch: var(--narrow);
  color: var(--foot-muted);
}
/* Whose it is gives way to what is said of it. */
.title {
  white-space: nowrap;
  flex: 0 1 auto;
  overflow: hidden;
  text-overflow: ellipsis;
}
.note {
  flex: none;
  max-width: calc(100% - 44px);
  text-align: right;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.value {
  font-stretch: var(--narrow);
  font-size: var(--text-small);
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
.value b {
  font-size: var(--text-figure);
  line-height: 1.3;
}
.bar {
  position: relative;
  height: 6px;
  background: var(--foot-line);
  margin-top: 2px;
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--foot-fill);
}
.over .fill {
  background: repeating-linear-gradient(-45deg, var(--foot-over) 0 5px, var(--foot) 5px 6.5px);
}
.over .note {
  color: var(--foot-ink);
  font-weight: 600;
}
.mark {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 2px;
  margin-left: -1px;
  background: var(--foot-ink);
}
.why {
  min-width: 360px;
  max-width: 520px;
}
</style>
