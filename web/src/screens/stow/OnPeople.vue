<script setup lang="ts">
/** How the bags hang on those who carry them: left against right, in front against behind; where each thing hangs, to be set. */
import { computed, ref } from 'vue'
import type { Hang, Ride, Stow, Stowage } from '@/api/types'
import TabRow from '@/components/TabRow.vue'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { levelText, pullText, RIDE, ridesText, SIDE } from '@/wording/dividers'

const props = defineProps<{ stowage: Stowage; stow: Stow; names: Names; busy: boolean }>()
const emit = defineEmits<{ stow: [stow: Stow] }>()
const units = useUnits()
const SIDES = (Object.keys(SIDE) as Hang['side'][]).map((name) => ({ name, title: SIDE[name] }))
const RIDES = (Object.keys(RIDE) as Ride['at'][]).map((name) => ({ name, title: RIDE[name] }))
/** Whose bags and things are being set. */
const open = ref<string | null>(null)
const people = computed(() => props.stowage.people ?? [])
function hanging(bag: string): { item: string; side: Hang['side'] }[] {
  return props.stowage.strapped.filter((s) => s.bag === bag).map((s) => ({ item: s.item, side: props.stow.hangs?.find((h) => h.item === s.item && h.bag === bag)?.side ?? 'out' }))
}
function hang(item: string, bag: string, side: Hang['side']): void {
  const others = (props.stow.hangs ?? []).filter((h) => h.item !== item || h.bag !== bag)
  emit('stow', { ...props.stow, hangs: [...others, { item, bag, side }] })
}
function ride(bag: string, at: Ride['at']): void {
  emit('stow', { ...props.stow, rides: [...(props.stow.rides ?? []).filter((r) => r.bag !== bag), { bag, at }] })
}
</script>

<template>
  <section v-for="one in people" :key="one.person" :aria-label="`On ${names.person(one.person)}`">
    <h2>On {{ names.person(one.person) }} <span class="quiet">bags only, estimate</span></h2>
    <dl class="facts">
      <dt>carries</dt><dd>{{ ridesText(one, units) }}</dd>
      <dt>sideways</dt><dd>{{ levelText(one, units) }}</dd>
      <dt>pulls</dt><dd>{{ pullText(one, units) }}</dd>
    </dl>
    <p v-if="one.better"><button type="button" class="link" :disabled="busy" @click="hang(one.better.item, one.better.bag, one.better.side)">Hang {{ names.thing(one.better.item) }} {{ SIDE[one.better.side] }}</button>: {{ fmt.load(Math.abs(one.better.level_g), units) }} off level instead.</p>
    <p><button type="button" class="link" :aria-expanded="open === one.person" @click="open = open === one.person ? null : one.person">Where bags and gear are worn</button></p>
    <template v-if="open === one.person">
      <template v-for="(at, bag) in one.riding" :key="bag">
        <p class="label">{{ names.thing(bag) }}</p>
        <TabRow :label="`Where ${names.thing(bag)} rides`" :tabs="RIDES" :disabled="busy" :model-value="at" @update:model-value="ride(bag, $event)" />
        <div v-for="h in hanging(bag)" :key="h.item">
          <p class="label">outside: {{ names.thing(h.item) }}</p>
          <TabRow :label="`Where ${names.thing(h.item)} hangs`" :tabs="SIDES" :disabled="busy" :model-value="h.side" @update:model-value="hang(h.item, bag, $event)" />
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
p {
  margin: 6px 0 2px;
}
</style>
