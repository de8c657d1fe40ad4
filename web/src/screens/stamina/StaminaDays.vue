<script setup lang="ts">
/** The days as columns: what each is, its packs and its pictures, all on one grid. */
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Day, StaminaReport } from '@/api/types'
import type { Names } from '@/wording/names'
import { columns } from '@/drawing/stamina'
import { day as dayName } from '@/format/dates'
import PictureRows from './PictureRows.vue'
import PowerRows from './PowerRows.vue'

const props = defineProps<{ report: StaminaReport; days: Day[]; short: Set<number>; chosen: number; types: Map<string, string>; names: Names }>()
const emit = defineEmits<{ choose: [day: number] }>()
const LEFT = 112
const LEAST = 70
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const cols = computed(() => columns(props.report.power.days.length, LEFT, Math.max(width.value - 2, 400), LEAST))
</script>

<template>
  <div ref="box" class="days">
    <div class="heads" role="group" aria-label="Days" :style="{ paddingLeft: `${LEFT}px` }">
      <button v-for="(d, index) in days.slice(0, cols.length)" :key="d.date" type="button" class="head" :style="{ width: `${cols[index]!.width}px` }" :aria-pressed="index === chosen" @click="emit('choose', index)">
        <b>{{ dayName(d.date) }}</b>
        <span class="label">{{ short.has(index) ? '▲ short' : d.title }}</span>
      </button>
    </div>
    <PowerRows :power="report.power" :cols="cols" :chosen="chosen" :left="LEFT" :types="types" :names="names" @choose="emit('choose', $event)" />
    <h2 class="pictures">Pictures <span class="quiet">filled: copies made by that night; hollow: copies missing</span></h2>
    <PictureRows :pictures="report.pictures" :cols="cols" :chosen="chosen" :left="LEFT" @choose="emit('choose', $event)" />
  </div>
</template>

<style scoped>
.days {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.heads {
  display: flex;
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  width: max-content;
}
.head {
  flex: none;
  font: inherit;
  font-stretch: var(--narrow);
  color: var(--ink);
  background: none;
  border: 0;
  border-left: 1px solid var(--line);
  padding: 0 0 3px 5px;
  text-align: left;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  white-space: nowrap;
  overflow: hidden;
}
.head[aria-pressed='true'] {
  background: color-mix(in srgb, var(--tan) 28%, transparent);
}
.pictures {
  margin: 8px 0 0;
}
</style>
