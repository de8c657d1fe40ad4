<script setup lang="ts">
/** A new trip, as little or as much of it as one knows: enough of it goes straight to the Bench. */
import { computed, reactive, ref, watch } from 'vue'
import { asProblem, byField } from '@/api/problem'
import type { TripDoc, Want } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import { useCarriers } from '@/composables/useCarriers'
import { useGearList } from '@/composables/useGearList'
import { useLocker } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import { useTripPatterns, useTrips, wantsSaid } from '@/composables/useTrips'
import { today } from '@/format/dates'
import * as fmt from '@/format/units'
import { many } from '@/wording/parts'
import { newTrip, NIGHTS, type Nights } from './new-trip'
import SheetDialog from '@/components/SheetDialog.vue'

const open = defineModel<boolean>({ required: true })
const props = defineProps<{ like: string }>()
const emit = defineEmits<{ made: [doc: TripDoc, to: 'bench' | 'brief'] }>()
const { trips, add, copy } = useTrips()
const { carriers, patterns: carrierPatterns } = useCarriers()
const { things: locker } = useLocker()
const patterns = useTripPatterns()
const units = useUnits()

const EMPTY = { name: '', like: '', place: '', start: '', days: 5 as number | null, people: '', nights: '' as Nights | '', coldest: null as number | null, wants: '', rules: [] as string[], gear: '', load: true }
const wish = reactive({ ...EMPTY })
watch(
  open,
  (on) => on && (Object.assign(wish, { ...EMPTY, start: today(), like: props.like ? `trip ${props.like}` : '' }), (missing.value = false), add.reset(), copy.reset()),
  { immediate: true },
)
const likes = computed(() => [
  { value: '', title: 'a new one' },
  ...(trips.value ?? []).map((d) => ({ value: `trip ${d.trip.id}`, title: `again: ${d.trip.name}` })),
  ...(patterns.value ?? []).map((p) => ({ value: `pattern ${p.id}`, title: `pattern: ${p.name}` })),
])
const again = computed(() => trips.value?.find((d) => `trip ${d.trip.id}` === wish.like) ?? null)
const pattern = computed(() => patterns.value?.find((p) => `pattern ${p.id}` === wish.like) ?? null)
watch([again, pattern], () => {
  if (pattern.value) wish.days = pattern.value.days?.length ?? 5
})

const list = useGearList(() => wish.gear)
const said = ref<{ typed: string; want: Want | null }[]>([])
const saidFor = ref('')
async function understandWants(): Promise<void> {
  const text = wish.wants
  said.value = text.trim() ? await wantsSaid(text, (pattern.value?.wants ?? []).map((w) => w.id)) : []
  saidFor.value = text
}
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => wish.wants,
  () => {
    clearTimeout(timer)
    timer = setTimeout(() => void understandWants().catch(() => undefined), 200)
  },
)
const unknownWants = computed(() => said.value.filter((one) => !one.want).map((one) => `“${one.typed}”`))
const rules = computed(() => {
  const own = (carriers.value ?? []).map((d) => ({ value: d.carrier.id, title: d.carrier.name, carrier: null as null | NonNullable<typeof carrierPatterns.value>[number] }))
  const names = new Set(own.map((o) => o.title))
  return [...own, ...(carrierPatterns.value ?? []).filter((c) => !names.has(c.name)).map((c) => ({ value: c.id, title: c.name, carrier: c }))]
})
const legs = computed(() => wish.rules.map((id, i) => ({ carrier: id, name: wish.rules.length > 1 ? `Leg ${i + 1}` : 'There and back' })))

const missing = ref(false)
const busy = computed(() => add.isPending.value || copy.isPending.value)
const problem = computed(() => {
  const error = add.error.value ?? copy.error.value
  return error ? asProblem(error) : null
})
const errors = computed(() => byField(problem.value))
const dayError = computed(() => {
  const n = Number(wish.days)
  return Number.isInteger(n) && n >= 1 && n <= 400 ? '' : 'From 1 to 400 days'
})
const loads = computed(() => wish.load && ((locker.value?.length ?? 0) > 0 || list.things.value.length > 0))
const LABELLED = ['name', 'place', 'days.0.date', 'days', 'people.0.name', 'load']
const other = computed(() => problem.value?.fields.filter((f) => !LABELLED.includes(f.field)) ?? [])

async function make(): Promise<void> {
  missing.value = !wish.name.trim()
  if (missing.value || dayError.value || !wish.start) return
  try {
    if (again.value) return void emit('made', await copy.mutateAsync({ slug: again.value.trip.id, name: wish.name, start: wish.start }), 'bench')
    if (saidFor.value !== wish.wants) await understandWants()
    if (!list.current.value) await list.look()
    const wants = said.value.flatMap((one) => (one.want ? [one.want] : []))
    const trip = newTrip({ ...wish, days: Number(wish.days), wants, legs: legs.value, pattern: pattern.value })
    const used = rules.value.flatMap((r) => (r.carrier && wish.rules.includes(r.value) ? [r.carrier] : []))
    const doc = await add.mutateAsync({ trip, things: list.things.value, carriers: used, load: loads.value })
    emit('made', doc, loads.value ? 'bench' : 'brief')
  } catch {
    // Shown at the fields.
  }
}
const STAYS = [{ title: 'not known yet', value: '' }, ...Object.entries(NIGHTS).map(([value, n]) => ({ title: n.title, value }))]
</script>

<template>
  <SheetDialog v-model="open" max-width="760" aria-label="Plan a trip">
    <form class="sheet form" novalidate @submit.prevent="make">
      <h2>Plan a trip <span class="quiet">a name and a date are enough; the rest can wait</span></h2>
      <div class="two">
        <VTextField v-model="wish.name" label="Name" autofocus maxlength="80" :error-messages="missing ? 'Type a name' : errors.name" />
        <VSelect v-model="wish.like" :items="likes" label="Like" />
      </div>
      <div class="three">
        <VTextField v-model="wish.start" type="date" label="First day" :error-messages="wish.start ? errors['days.0.date'] : 'Pick a date'" />
        <template v-if="!again">
          <NumberField v-model="wish.days" label="Days" :error="dayError || errors.days" />
          <NumberField v-model="wish.coldest" label="Coldest while shooting" quantity="temperature" />
        </template>
      </div>
      <p v-if="again" class="quiet">Brief, journey and kits are copied, with all dates moved. Notes, weighings and pictures stay with the old trip.</p>
      <template v-else>
        <div class="two">
          <VTextField v-model="wish.place" label="Where" maxlength="80" :error-messages="errors.place" />
          <VTextField v-model="wish.people" label="People (Ines + Marit)" :error-messages="errors['people.0.name']" />
        </div>
        <VSelect v-model="wish.nights" :items="STAYS" label="Overnight power" hide-details />
        <VAutocomplete v-model="wish.rules" :items="rules" label="Carriers, in order of travel" multiple chips closable-chips auto-select-first clear-on-select hide-details />
        <div>
          <VTextField v-model="wish.wants" label="Shots: milky way, waterfalls 5, birds, ruins 24-70 f/4" hide-details />
          <p class="label" role="status">
            <template v-if="said.length">{{ said.filter((one) => one.want).map((one) => `${one.want!.name} ${fmt.focalRange(one.want!.focal_min_mm, one.want!.focal_max_mm)}`).join(' · ') }}</template>
            <span v-if="unknownWants.length" class="wrong"> {{ unknownWants.join(', ') }} not understood. Add focal lengths, or add it in the Brief.</span>
          </p>
        </div>
        <div>
          <VTextarea v-model="wish.gear" label="New gear for your locker: 2 bodies 24 mp, 24-70 2.8, 4 batteries, sd 128 x4, 25 l backpack" auto-grow rows="1" max-rows="6" spellcheck="false" hide-details />
          <p class="label" role="status">
            <template v-if="list.things.value.length">{{ many(list.things.value.length, 'item') }} understood, ≈ {{ fmt.load(list.grams.value, units) }}: {{ list.things.value.map((t) => ((t.count ?? 1) > 1 ? `${t.count} × ${t.name}` : t.name)).join(' · ') }}</template>
            <span v-if="list.unknown.value.length" class="wrong"> {{ list.unknown.value.map((l) => `“${l.typed}”`).join(', ') }} not understood. Add it in the Locker.</span>
            <span v-if="list.wrong.value" class="wrong">{{ list.wrong.value }}</span>
          </p>
        </div>
        <VCheckbox v-model="wish.load" :label="`Load the whole locker${locker?.length ? ` (${many(locker.length, 'item')})` : ''}, then leave gear on the Bench`" :error-messages="errors.load" hide-details="auto" density="compact" />
      </template>
      <p v-if="problem && (problem.fields.length === 0 || other.length)" class="wrong" role="alert">{{ problem.title }} {{ other.map((f) => `${f.field}: ${f.rule}`).join('. ') }}</p>
      <div class="row">
        <VBtn @click="open = false">Cancel</VBtn>
        <VBtn color="primary" variant="flat" type="submit" :loading="busy">{{ again ? 'Plan again' : loads ? 'On to the bench' : 'On to the brief' }}</VBtn>
      </div>
    </form>
  </SheetDialog>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.two,
.three {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.three {
  grid-template-columns: 1fr 1fr 1fr;
}
.row {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
}
p {
  margin: 2px 0 0;
}
.wrong {
  color: var(--rust);
}
.label .wrong {
  margin-left: 6px;
}
@media (max-width: 700px) {
  .two,
  .three {
    grid-template-columns: 1fr;
  }
}
</style>
