<script setup lang="ts">
/** How power and pictures are carried: schools, margin, cold, pace, and what each sort of day asks. */
import { computed, ref } from 'vue'
import type { Pattern, Stamina, Thing } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import TabRow from '@/components/TabRow.vue'
import { CARD_SCHOOL, FIRST, POWER_SCHOOL, SLOTS, WARM } from '@/wording/stamina'

const props = defineProps<{ errors: Record<string, string>; bodies: Thing[]; panels: boolean; paid: boolean }>()
const stamina = defineModel<Stamina>({ required: true })
const chosen = ref(0)
const pattern = computed(() => stamina.value.patterns?.[chosen.value])

function set(change: Partial<Stamina>): void {
  stamina.value = { ...stamina.value, ...change }
}
function options(words: Record<string, string>): { title: string; value: string }[] {
  return Object.entries(words).map(([value, title]) => ({ title, value }))
}
function change(what: Partial<Pattern>): void {
  set({ patterns: (stamina.value.patterns ?? []).map((p, i) => (i === chosen.value ? { ...p, ...what } : p)) })
}
function demand(who: 'first' | 'others', what: object): void {
  const now = pattern.value?.[who]
  change({ [who]: { ...now, ...what } })
}
function add(): void {
  const all = stamina.value.patterns ?? []
  let n = all.length + 1
  while (all.some((p) => p.id === `own-${n}`)) n += 1
  set({ patterns: [...all, { ...all[chosen.value]!, id: `own-${n}`, name: `Day like ${all[chosen.value]!.name}`.slice(0, 80) }] })
  chosen.value = all.length
}
function habit(body: string, what: object): void {
  const rest = (stamina.value.habits ?? []).filter((h) => h.body !== body)
  set({ habits: [...rest, { ...of(body), ...what }] })
}
function of(body: string) {
  return (stamina.value.habits ?? []).find((h) => h.body === body) ?? { body, slots: 'overflow' as const, uncompressed: false, video_mbit_s: 100 }
}
const RAW = [
  { title: 'compressed', value: false },
  { title: 'uncompressed', value: true },
]
const error = (field: string): string => props.errors[`stamina.${field}`] ?? ''
const at = (field: string): string => error(`patterns.${chosen.value}.${field}`)
</script>

<template>
  <div class="settings">
    <div class="line">
      <VSelect :model-value="stamina.power" :items="options(POWER_SCHOOL)" label="Power" @update:model-value="set({ power: $event })" />
      <VSelect :model-value="stamina.warm" :items="options(WARM)" label="Kept warm in an inner pocket" @update:model-value="set({ warm: $event })" />
      <VSelect :model-value="stamina.first" :items="options(FIRST)" label="Charged first" @update:model-value="set({ first: $event })" />
    </div>
    <div class="line">
      <VSelect :model-value="stamina.cards" :items="options(CARD_SCHOOL)" label="Cards" @update:model-value="set({ cards: $event })" />
      <NumberField class="short" :model-value="stamina.copies" :label="`Copies (usually ${paid ? 3 : 2})`" :error="error('copies')" @update:model-value="set({ copies: $event === null || $event === undefined ? null : Math.round($event) })" />
      <NumberField v-if="stamina.cards === 'erase-after'" class="short" :model-value="stamina.erase_after" label="Erase after copies" required :error="error('erase_after')" @update:model-value="set({ erase_after: Math.round($event ?? 2) })" />
    </div>
    <div v-if="panels" class="line">
      <NumberField class="short" :model-value="Math.round(100 * (stamina.solar ?? 0))" label="Solar panels give" unit="%" required :error="error('solar')" @update:model-value="set({ solar: ($event ?? 0) / 100 })" />
      <span class="label">Share of their rating while moving. Usual under cloud: 5 to 15 % (estimate). 0 ignores them.</span>
    </div>
    <h2>Day types <span class="quiet">frames, video and star trails, for the first camera and each other one</span></h2>
    <TabRow v-model="chosen" class="tabs" label="Day types" :tabs="(stamina.patterns ?? []).map((p, i) => ({ name: i, title: p.name }))">
      <button type="button" class="link quiet" @click="add">add</button>
    </TabRow>
    <template v-if="pattern">
      <div class="line">
        <VTextField :model-value="pattern.name" label="Name" maxlength="80" :error-messages="at('name')" @update:model-value="change({ name: String($event ?? '') })" />
        <button v-if="(stamina.patterns ?? []).length > 1" type="button" class="link quiet" @click="set({ patterns: (stamina.patterns ?? []).filter((_, i) => i !== chosen) }), (chosen = 0)">remove</button>
      </div>
      <div v-for="who in ['first', 'others'] as const" :key="who" class="line">
        <NumberField :model-value="pattern[who]?.frames" :label="who === 'first' ? 'Frames' : 'Frames, other cameras'" required :error="at(`${who}.frames`)" @update:model-value="demand(who, { frames: Math.round($event ?? 0) })" />
        <NumberField :model-value="pattern[who]?.video_min" label="Video" unit="min" required :error="at(`${who}.video_min`)" @update:model-value="demand(who, { video_min: $event ?? 0 })" />
        <NumberField :model-value="pattern[who]?.timelapse_h" label="Trails" unit="h" required :error="at(`${who}.timelapse_h`)" @update:model-value="demand(who, { timelapse_h: $event ?? 0 })" />
      </div>
      <div class="line">
        <NumberField :model-value="Math.round(100 * (pattern.phone ?? 0))" label="Phone" unit="%" required :error="at('phone')" @update:model-value="change({ phone: ($event ?? 0) / 100 })" />
        <NumberField :model-value="Math.round(100 * (pattern.laptop ?? 0))" label="Laptop" unit="%" required :error="at('laptop')" @update:model-value="change({ laptop: ($event ?? 0) / 100 })" />
        <NumberField :model-value="Math.round(100 * (pattern.tablet ?? 0))" label="Tablet" unit="%" required :error="at('tablet')" @update:model-value="change({ tablet: ($event ?? 0) / 100 })" />
      </div>
      <div class="line">
        <NumberField :model-value="pattern.flights" label="Flights" required :error="at('flights')" @update:model-value="change({ flights: Math.round($event ?? 0) })" />
        <NumberField :model-value="pattern.light_h" label="Lights" unit="h" required :error="at('light_h')" @update:model-value="change({ light_h: $event ?? 0 })" />
        <NumberField :model-value="pattern.torch_h" label="Torches" unit="h" required :error="at('torch_h')" @update:model-value="change({ torch_h: $event ?? 0 })" />
      </div>
    </template>
    <h2>Card slots of each camera</h2>
    <template v-for="body in bodies" :key="body.id">
    <p class="label">{{ body.name }}</p>
    <div class="line">
      <VSelect :model-value="of(body.id).slots" :items="options(SLOTS)" label="Slots" @update:model-value="habit(body.id, { slots: $event })" />
      <NumberField class="short" :model-value="of(body.id).video_mbit_s" label="Video" unit="Mbit/s" required @update:model-value="habit(body.id, { video_mbit_s: $event ?? 100 })" />
      <VSelect class="raw" :model-value="of(body.id).uncompressed" :items="RAW" label="Raw" @update:model-value="habit(body.id, { uncompressed: $event })" />
    </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
  margin: 4px 0 9px;
}
.tabs {
  margin: 6px 0 10px;
}
.short {
  flex: 0 0 108px;
}
p {
  margin: 6px 0 0;
}
</style>
