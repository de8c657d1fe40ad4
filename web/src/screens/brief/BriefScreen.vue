<script setup lang="ts">
/** The brief: wants on the left, who, how and when on the right. Saved as it is typed. */
import { computed } from 'vue'
import { looseRules } from '@/api/problem'
import AskFirst from '@/components/AskFirst.vue'
import ClashList from '@/components/ClashList.vue'
import TripFrame from '@/components/TripFrame.vue'
import { useBench } from '@/composables/useBench'
import { useCarriersFor } from '@/composables/useCarriers'
import { useLeaveGuard } from '@/composables/useLeaveGuard'
import DaysPart from './DaysPart.vue'
import LegsPart from './LegsPart.vue'
import PackingPart from './PackingPart.vue'
import PeoplePart from './PeoplePart.vue'
import PlacePart from './PlacePart.vue'
import { useBriefDraft } from '@/composables/useBriefDraft'
import WantsPart from './WantsPart.vue'

const props = defineProps<{ trip: string; kit: string }>()
const { bench, error, things, names } = useBench(
  () => props.trip,
  () => props.kit,
)
const { carriers, theirs } = useCarriersFor(() => props.trip)
const stored = computed(() => bench.value?.trip)
const { draft, problem, clashes, errors, state, unsaved, flush, revert, settle } = useBriefDraft(stored)
const SAYS = { saved: 'Saved', saving: 'Saving…', refused: 'Not saved yet' } as const
const STATUS = [
  { title: 'Current', value: 'current' },
  { title: 'Planned', value: 'planned' },
  { title: 'Done', value: 'done' },
]

const STAKES = [
  { title: 'Leisure', value: 'leisure' },
  { title: 'Paid', value: 'paid' },
]

const { leavingTo, leave } = useLeaveGuard(flush, unsaved)
/** Errors that no field on this screen shows. */
const loose = computed(() => {
  if (!problem.value) return ''
  const rules = looseRules(problem.value, (field) => /^(name|place|note|purpose|people|days|spot|mains|marks|(wants|legs|local_rules|sets)\.\d)/.test(field))
  return problem.value.fields.length === 0 ? problem.value.title : rules.join('. ')
})
</script>

<template>
  <TripFrame :bench="bench" :error="error" :names="names">
    <div v-if="draft && bench" class="screen grid stacks">
      <div class="left">
        <div class="title">
          <VTextField v-model="draft.name" class="name" label="Trip" maxlength="80" :error-messages="errors.name" />
          <VTextField v-model="draft.place" label="Where" maxlength="80" :error-messages="errors.place" />
          <VSelect v-model="draft.status" class="status" :items="STATUS" label="Status" />
        </div>
        <WantsPart :model-value="draft.wants ?? []" :coverage="bench.state.assessment.coverage" :errors="errors" @update:model-value="draft.wants = $event" />
        <DaysPart :model-value="draft.days ?? []" :errors="errors" :wants="draft.wants ?? []" :sky="bench.state.assessment.sky" :spot="draft.spot" :pace="draft.pace ?? {}" @update:model-value="draft.days = $event" @update:pace="draft.pace = $event" />
      </div>
      <div class="right">
        <div class="state" :class="state" role="status">
          <b>{{ SAYS[state] }}</b>
          <span v-if="state === 'saved' && stored?.changed_by" class="quiet">last by {{ stored.changed_by }}</span>
          <template v-if="state === 'refused'">
            <span>{{ loose || 'Correct the marked fields; nothing you typed is lost.' }}</span>
            <button type="button" class="link" @click="revert">discard</button>
          </template>
        </div>
        <ClashList :clashes="clashes" @settle="settle" />
        <PeoplePart v-model:sets="draft.sets" :model-value="draft.people ?? []" :errors="errors" @update:model-value="draft.people = $event" />
        <LegsPart :model-value="draft.legs ?? []" :carriers="carriers ?? []" :theirs="theirs" :errors="errors" @update:model-value="draft.legs = $event" />
        <PackingPart v-model:policies="draft.policies" v-model:marks="draft.marks" :things="things" :errors="errors" />
        <PlacePart :spot="draft.spot" :mains="draft.mains" :base="draft.base" :rules="draft.local_rules ?? []" :errors="errors" @update:spot="draft.spot = $event" @update:mains="draft.mains = $event" @update:base="draft.base = $event" @update:rules="draft.local_rules = $event" />
        <section class="purpose" aria-label="Purpose">
          <VTextField v-model="draft.purpose" label="Purpose of the pictures" maxlength="2000" :error-messages="errors.purpose" />
          <VSelect v-model="draft.stakes" class="status" :items="STAKES" label="Stakes" />
        </section>
        <VTextarea v-model="draft.note" label="Note" rows="2" maxlength="2000" :error-messages="errors.note" />
      </div>
      <AskFirst
        :model-value="leavingTo !== null"
        title="Some of the brief is not saved"
        text="The marked fields were refused. Stay and correct them, or leave and lose what you typed."
        yes="Leave and lose it"
        @yes="leave"
        @update:model-value="leavingTo = null"
      />
    </div>
  </TripFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  gap: 30px;
  overflow: hidden;
}
.left,
.right {
  min-height: 0;
  overflow: auto;
  padding: 6px 4px 16px 0;
}
.left {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.right {
  border-left: 1px solid var(--line);
  padding-left: 24px;
  padding-right: 6px;
  display: flex;
  flex-direction: column;
  gap: 16px;
}
.right > * {
  flex: none;
}
.title {
  display: flex;
  gap: 10px;
}
.name {
  flex: 2;
}
.status {
  flex: 0 0 120px;
}
.purpose {
  display: flex;
  gap: 10px;
}
.state {
  display: flex;
  gap: 10px;
  align-items: baseline;
  color: var(--muted);
  min-height: 20px;
}
.state.refused {
  color: var(--rust);
}
</style>
