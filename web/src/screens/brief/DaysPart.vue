<script setup lang="ts">
/** The days: what each is for, how cold it gets, how long it is walked. */
import type { Day } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { addDays, day as dayName, today } from '@/format/dates'

defineProps<{ errors: Record<string, string> }>()
const days = defineModel<Day[]>({ required: true })

function replace(index: number, change: Partial<Day>): void {
  days.value = days.value.map((d, i) => (i === index ? { ...d, ...change } : d))
}
function add(): void {
  const last = days.value.at(-1)
  days.value = [
    ...days.value,
    { date: last ? addDays(last.date, 1) : today(), title: `Day ${days.value.length + 1}`, place: last?.place ?? '', lowest_c: last?.lowest_c ?? 15, on_foot_h: last?.on_foot_h ?? 0 },
  ]
}
/** A new first day moves all days with it. */
function start(date: string): void {
  if (date) days.value = days.value.map((d, i) => ({ ...d, date: addDays(date, i) }))
}
</script>

<template>
  <section aria-label="Days">
    <header class="top">
      <h2>Days</h2>
      <VTextField v-if="days.length" class="start" type="date" label="First day" :model-value="days[0]!.date" :error-messages="errors.days" @update:model-value="start(String($event ?? ''))" />
      <button type="button" class="link" @click="add">add a day</button>
    </header>
    <div class="rows">
      <div v-for="(one, index) in days" :key="one.date" class="line">
        <span class="label date">{{ dayName(one.date) }}</span>
        <VTextField :model-value="one.title" label="What for" maxlength="80" :error-messages="errors[`days.${index}.title`]" @update:model-value="replace(index, { title: String($event ?? '') })" />
        <NumberField class="small" :model-value="one.lowest_c" label="Coldest" quantity="temperature" required :error="errors[`days.${index}.lowest_c`]" @update:model-value="replace(index, { lowest_c: $event as number })" />
        <NumberField class="small" :model-value="one.on_foot_h" label="On foot" unit="h" required :error="errors[`days.${index}.on_foot_h`]" @update:model-value="replace(index, { on_foot_h: $event as number })" />
        <button type="button" class="link quiet" :aria-label="`Remove ${dayName(one.date)}`" @click="days = days.filter((_, i) => i !== index)">remove</button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 8px;
}
.top h2 {
  flex: 1;
}
.start {
  flex: 0 0 150px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
  margin-bottom: 8px;
}
.date {
  width: 66px;
  flex: none;
}
.small {
  flex: 0 0 88px;
}
</style>
