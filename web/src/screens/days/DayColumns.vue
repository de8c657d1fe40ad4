<script setup lang="ts">
/** Days as columns of what the one who carries most has on them, by what it is for; under each, its wants as far as its bag reaches them. */
import { computed } from 'vue'
import type { ByDays, Day, DayBag } from '@/api/types'
import SeverityMark from '@/components/SeverityMark.vue'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { carriedBy, scaleOf, stack, USES } from '@/drawing/days'
import { dayShort } from '@/format/dates'
import * as fmt from '@/format/units'
import { dayText, outThere } from '@/wording/outings'

const props = defineProps<{ byDays: ByDays; days: readonly Day[]; names: Names; chosen: readonly string[]; well: number | null; bagName: (day: DayBag) => string }>()
const emit = defineEmits<{ choose: [date: string, several: boolean] }>()
const units = useUnits()
const HIGH = 168
const scale = computed(() => scaleOf([...props.byDays.days.map(carriedBy), props.well ?? 0]))
const columns = computed(() =>
  props.byDays.days.map((bag) => {
    const day = props.days.find((d) => d.date === bag.date)
    return { bag, day, grams: carriedBy(bag), blocks: stack(bag, scale.value.top, HIGH), text: dayText(bag, props.names) }
  }),
)
const y = (grams: number): number => HIGH - (grams / scale.value.top) * HIGH
const worst = (bag: DayBag): 'blocker' | 'caution' | null => (['blocker', 'caution'] as const).find((s) => bag.findings.some((f) => f.severity === s)) ?? null
</script>

<template>
  <div>
    <div class="chart">
      <div class="scale" :style="{ height: `${HIGH}px` }" aria-hidden="true">
        <span v-for="step in scale.steps" :key="step" class="step" :style="{ top: `${y(step)}px` }"><span class="label">{{ fmt.limit(step, units) }}</span></span>
        <span v-if="well" class="well" :style="{ top: `${y(well)}px` }"><span class="label">comfortable</span></span>
      </div>
      <div class="columns" role="group" aria-label="Days of the trip" :style="{ gridTemplateColumns: `repeat(${columns.length}, minmax(66px, 1fr))` }">
        <button v-for="{ bag, day, grams, blocks, text } in columns" :key="bag.date" type="button" class="day" :class="{ whole: !bag.loadout }" :aria-pressed="chosen.includes(bag.date)" :title="`${bagName(bag)} · ${outThere(bag)}`" @click="emit('choose', bag.date, $event.shiftKey || $event.ctrlKey || $event.metaKey)">
          <span class="name">
            <SeverityMark v-if="worst(bag)" :severity="worst(bag)!" :side="11" aria-hidden="true" />
            {{ dayShort(bag.date) }}
          </span>
          <span class="what">{{ day?.title }}</span>
          <span class="what bag">{{ bag.loadout ? bagName(bag) : 'all of it' }}</span>
          <span class="bar" :style="{ height: `${HIGH}px` }">
            <span v-for="b in blocks" :key="b.use" class="block" :class="b.use" :style="{ top: `${b.y}px`, height: `${Math.max(1, b.height - 1.5)}px` }" />
            <b class="grams" :style="{ top: `${y(grams) - 19}px` }">{{ fmt.load(grams, units) }}</b>
          </span>
          <span class="visually-hidden">{{ text }}</span>
          <span class="wants" aria-hidden="true">
            <span v-for="w in bag.wants" :key="w.want" class="want" :class="{ missing: !w.there }"><span :style="{ width: `${Math.round(100 * w.cover)}%` }" /></span>
          </span>
        </button>
      </div>
    </div>
    <p class="legend label">
      <span v-for="{ use, title } in USES" :key="use"><span class="key" :class="use" />{{ title }}</span>
      <span><span class="key short" />the day’s shots, filled as far as the bag reaches; outlined: out of reach</span>
    </p>
  </div>
</template>

<style scoped>
.chart {
  position: relative;
  padding-left: 58px;
  overflow-x: auto;
}
.scale {
  position: absolute;
  inset: 22px 0 auto;
}
.step,
.well {
  position: absolute;
  left: 0;
  right: 0;
  border-top: 1px dotted var(--line);
}
.step .label {
  position: absolute;
  top: -9px;
  background: var(--paper);
  padding-right: 6px;
}
.well {
  left: 58px;
  border-top: 1px dashed var(--rust);
}
.well .label {
  position: absolute;
  top: -15px;
  line-height: 13px;
  right: 0;
  /* Over the columns: the line may cross the last of them. */
  z-index: 1;
  padding: 0 3px;
  color: var(--rust);
  background: var(--paper);
  pointer-events: none;
}
.columns {
  display: grid;
  gap: 6px;
  padding-top: 22px;
}
.day {
  position: relative;
  background: none;
  border: 0;
  border-radius: var(--corner);
  padding: 0 4px 6px;
  font: inherit;
  color: inherit;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  min-width: 0;
}
.day[aria-pressed='true'] {
  background: color-mix(in srgb, var(--tan) 38%, transparent);
}
.day[aria-pressed='true'] .what {
  color: var(--ink);
}
.day:hover {
  background: color-mix(in srgb, var(--tan) 20%, transparent);
}
.day[aria-pressed='true']:hover {
  background: color-mix(in srgb, var(--tan) 46%, transparent);
}
/* Read last, seen first. */
.bar {
  order: -1;
  position: relative;
  width: min(46px, 78%);
}
.block {
  position: absolute;
  left: 0;
  right: 0;
  border-radius: 2px;
}
.whole .block {
  opacity: 0.55;
}
.grams {
  position: absolute;
  left: -14px;
  right: -14px;
  text-align: center;
  white-space: nowrap;
  /* The line of what is carried well goes on behind the figure, not through it. */
  text-shadow:
    0 0 2px var(--paper),
    0 0 3px var(--paper),
    0 0 4px var(--paper),
    0 0 4px var(--paper);
}
.optics {
  background: var(--saddle);
}
.power {
  background: var(--ochre);
}
.support {
  background: var(--moss);
}
.rest {
  background: color-mix(in srgb, var(--slate) 30%, var(--paper));
  outline: 1px solid color-mix(in srgb, var(--slate) 55%, var(--paper));
  outline-offset: -1px;
}
.name {
  font-weight: 600;
  white-space: nowrap;
  margin-top: 3px;
}
.what {
  color: var(--muted);
  line-height: 1.2;
  overflow-wrap: anywhere;
}
.bag {
  min-height: 2.4em;
}
.wants {
  display: flex;
  flex-direction: column;
  gap: 2px;
  width: min(64px, 92%);
  margin-top: 4px;
  min-height: 30px;
}
.want {
  height: 6px;
  border: 1px solid var(--slate);
  border-radius: 1px;
  display: block;
}
.want > span {
  display: block;
  height: 100%;
  background: var(--slate);
}
.want.missing {
  border: 1px dashed var(--rust);
}
.want.missing > span {
  background: color-mix(in srgb, var(--rust) 55%, var(--paper));
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin: 6px 0 0;
}
.key {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 2px;
  margin-right: 5px;
}
.key.short {
  width: 20px;
  height: 6px;
  border: 1px solid var(--slate);
  vertical-align: 2px;
}
</style>
