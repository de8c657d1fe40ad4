<script setup lang="ts">
/** What is to be done before leaving, and the last checks before the door shuts. */
import type { PackOut, Wanted } from '@/api/types'
import TickRow from '@/components/TickRow.vue'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { day } from '@/format/dates'
import * as fmt from '@/format/units'
import { gotText } from '@/wording/cures'
import { say } from '@/wording/findings'
import { closingText, taskText } from '@/wording/packout'
import { capital } from '@/wording/parts'

const props = defineProps<{ list: PackOut; wanted: Wanted[]; done: (line: string) => boolean; names: Names }>()
const emit = defineEmits<{ tick: [line: string] }>()
const units = useUnits()
const HOW = { get: 'buy, hire or borrow', rent: 'rent', borrow: 'borrow', post: 'in the post' } as const
function head(one: Wanted): string {
  if (one.got && !one.item) return capital(gotText({ ...one.got, count: one.count }, props.names, units.value))
  return `${one.count > 1 ? `${one.count} × ` : ''}${props.names.thing(one.item ?? '')}`
}
function body(one: Wanted): string {
  const why = one.because.map((told) => say(told, props.names, units.value).head).join(' ')
  const dates = [one.by ? `by ${day(one.by)}` : '', one.back_by ? `goes back by ${day(one.back_by)}` : ''].filter(Boolean).join(', ')
  return [HOW[one.how], `${one.how === 'get' ? 'about ' : ''}${fmt.mass(one.mass_g, units.value)}`, dates, why].filter(Boolean).join(' · ')
}
</script>

<template>
  <section aria-label="Before leaving">
    <template v-if="wanted.length">
      <h2>To get first <span class="quiet">to buy, hire, borrow or fetch</span></h2>
      <dl class="wanted">
        <template v-for="(one, index) in wanted" :key="index">
          <dt>{{ head(one) }}</dt>
          <dd class="label">{{ body(one) }}</dd>
        </template>
      </dl>
    </template>
    <h2>Before leaving</h2>
    <ul class="lines">
      <li v-for="task in list.tasks" :key="task.id"><TickRow :done="done(task.id)" v-bind="taskText(task, names.thing)" @tick="emit('tick', task.id)" /></li>
    </ul>
    <h2 class="closing">Final check of the plan</h2>
    <p v-for="check in list.closing" :key="check.check" :class="check.passes ? 'good' : 'bad'">{{ check.passes ? '✓' : '◆' }} {{ closingText(check) }}</p>
  </section>
</template>

<style scoped>
section {
  overflow: auto;
}
.wanted {
  margin: 4px 0 12px;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0 0 6px;
}
.closing {
  margin-top: 10px;
}
p {
  margin: 2px 0;
}
.good {
  color: var(--moss);
}
.bad {
  color: var(--rust);
}
</style>
