<script setup lang="ts">
/** Other ways to type a want: a subject at a distance gives the focal range, an output gives the pixels. */
import { computed, ref, watch } from 'vue'
import { asProblem } from '@/api/problem'
import type { Want } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import TabRow from '@/components/TabRow.vue'
import { useWantFigures, type Output, type Subject } from '@/composables/useWantFigures'

const want = defineModel<Want>({ required: true })
const figures = useWantFigures()
const wrong = ref('')
const SIDES = [
  { title: 'of the short side', value: 'short' },
  { title: 'of the long side', value: 'long' },
]
const OUTPUTS = [
  { title: 'as entered', value: 'none' },
  { title: 'a screen', value: 'screen' },
  { title: 'a print', value: 'print' },
]
const WAYS = [
  { name: 'range', title: 'as a focal range' },
  { name: 'subject', title: 'as a subject' },
] as const
const byRange = computed(() => !want.value.subject)
const use = computed(() => want.value.output?.use ?? 'none')

/** Figures follow what was typed; until the server has reckoned them, the old ones stand. */
async function reckon(subject: Subject | null, output: Output | null): Promise<void> {
  wrong.value = ''
  try {
    const made = await figures.mutateAsync({ subject, output })
    want.value = {
      ...want.value,
      subject,
      output,
      focal_min_mm: made.focal_min_mm ?? want.value.focal_min_mm,
      focal_max_mm: made.focal_max_mm ?? want.value.focal_max_mm,
      megapixels: made.megapixels ?? want.value.megapixels,
    }
  } catch (error) {
    const problem = asProblem(error)
    wrong.value = problem.fields.map((f) => f.rule).join('. ') || problem.title
  }
}
const subject = ref<Subject>(want.value.subject ?? { size_m: 0.9, near_m: 30, far_m: 60, share: 0.5, side: 'short' })
const output = ref<Output | null>(want.value.output ?? null)
watch(
  () => want.value.id,
  () => {
    subject.value = want.value.subject ?? subject.value
    output.value = want.value.output ?? null
    wrong.value = ''
  },
)
function setSubject(change: Partial<Subject>): void {
  subject.value = { ...subject.value, ...change }
  const whole = Object.values(subject.value).every((v) => v !== null && v !== undefined)
  if (whole) void reckon(subject.value, want.value.output ?? null)
}
function bySubject(on: boolean): void {
  if (on) void reckon(subject.value, want.value.output ?? null)
  else want.value = { ...want.value, subject: null }
}
function setUse(value: string): void {
  const made: Record<string, Output> = {
    screen: { use: 'screen', long_side_px: 3840 },
    print: { use: 'print', width_cm: 60, height_cm: 40, viewing_cm: 60 },
  }
  output.value = made[value] ?? null
  if (output.value) void reckon(want.value.subject ?? null, output.value)
  else want.value = { ...want.value, output: null }
}
function setOutput(change: Record<string, number | null | undefined>): void {
  if (!output.value) return
  output.value = { ...output.value, ...change } as Output
  if (Object.values(output.value).every((v) => v !== null && v !== undefined)) void reckon(want.value.subject ?? null, output.value)
}
</script>

<template>
  <div class="typing">
    <div class="line">
      <TabRow class="ways" label="Enter the range by" :tabs="WAYS" :model-value="byRange ? 'range' : 'subject'" @update:model-value="bySubject($event === 'subject')" />
      <template v-if="!byRange">
        <NumberField :model-value="subject.size_m" label="Subject" unit="m" required @update:model-value="setSubject({ size_m: $event as number })" />
        <NumberField :model-value="subject.near_m" label="Near" unit="m" required @update:model-value="setSubject({ near_m: $event as number })" />
        <NumberField :model-value="subject.far_m" label="Far" unit="m" required @update:model-value="setSubject({ far_m: $event as number })" />
        <NumberField :model-value="subject.share === null ? null : subject.share * 100" label="Fills" unit="%" required @update:model-value="setSubject({ share: ($event ?? 0) / 100 })" />
        <VSelect :model-value="subject.side" :items="SIDES" label="Of" @update:model-value="setSubject({ side: $event })" />
      </template>
      <span v-else class="grow" />
      <VSelect class="use" :model-value="use" :items="OUTPUTS" label="Megapixels for" @update:model-value="setUse(String($event))" />
      <NumberField v-if="output?.use === 'screen'" :model-value="output.long_side_px" label="Long side" unit="px" required @update:model-value="setOutput({ long_side_px: $event })" />
      <template v-if="output?.use === 'print'">
        <NumberField :model-value="output.width_cm" label="Wide" unit="cm" required @update:model-value="setOutput({ width_cm: $event })" />
        <NumberField :model-value="output.height_cm" label="High" unit="cm" required @update:model-value="setOutput({ height_cm: $event })" />
        <NumberField :model-value="output.viewing_cm" label="Seen from" unit="cm" required @update:model-value="setOutput({ viewing_cm: $event })" />
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.typing {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.line {
  flex-wrap: wrap;
}
.line > * {
  flex: 1 1 84px;
}
.line > .ways {
  flex: none;
}
.line > .grow {
  flex: 100 1 0;
}
.line > .use {
  flex: 0 1 150px;
}
.wrong {
  margin: 0;
  color: var(--rust);
}
</style>
