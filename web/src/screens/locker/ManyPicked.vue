<script setup lang="ts">
/** What can be done with all that is picked: one act, and one step to undo. */
import { computed, ref } from 'vue'
import type { Thing, ThingDoc } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import { useLocker } from '@/composables/useLocker'
import { notify } from '@/composables/useNotice'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { ABSENCE } from '@/wording/kinds'
import { many } from '@/wording/parts'
import PutIntoKit from './PutIntoKit.vue'

const props = defineProps<{ docs: ThingDoc[]; owners: string[] }>()
const emit = defineEmits<{ weigh: []; clear: [] }>()
const { change } = useLocker()
const units = useUnits()
const owner = ref('')
const going = ref(false)
const putting = ref(false)
const grams = computed(() => props.docs.reduce((sum, d) => sum + d.thing.mass_g * (d.thing.count ?? 1), 0))
const these = computed(() => many(props.docs.length, 'item'))
const REASONS = [{ title: 'here', value: 'here' }, ...Object.entries(ABSENCE).map(([value, title]) => ({ title, value }))]

async function set(fields: Partial<Thing>, says: string): Promise<void> {
  const put = props.docs.map((d) => ({ version: d.version, thing: { ...d.thing, ...fields } as Thing }))
  await change.mutateAsync({ put, remove: [], says }).catch(notify)
}
function belongs(): void {
  void set({ owner: owner.value.trim() }, owner.value.trim() ? `${these.value} given to ${owner.value.trim()}` : `the owner of ${these.value} taken off`)
}
function away(reason: string): void {
  if (reason) void set({ absent: reason === 'here' ? null : ({ reason, until: null } as Thing['absent']) }, reason === 'here' ? `${these.value} back here` : `${these.value}: ${ABSENCE[reason as keyof typeof ABSENCE]}`)
}
async function remove(): Promise<void> {
  try {
    await change.mutateAsync({ put: [], remove: props.docs.map((d) => d.thing.id), says: `${these.value} removed` })
    emit('clear')
  } catch (problem) {
    notify(problem as Error)
  }
}
</script>

<template>
  <div class="many" role="group" aria-label="With the picked items">
    <b role="status">{{ these }}, {{ fmt.load(grams, units) }}</b>
    <VBtn variant="outlined" size="small" @click="putting = true">Put into a kit</VBtn>
    <form class="own" @submit.prevent="belongs"><input v-model="owner" list="owners-known" placeholder="belongs to" aria-label="Belongs to" maxlength="60" /><button type="submit" class="link" :disabled="change.isPending.value">set</button></form>
    <datalist id="owners-known"><option v-for="o in owners" :key="o" :value="o" /></datalist>
    <select aria-label="Where they are" :disabled="change.isPending.value" @change="away(($event.target as HTMLSelectElement).value), (($event.target as HTMLSelectElement).value = '')">
      <option value="">set where they are…</option>
      <option v-for="r in REASONS" :key="r.value" :value="r.value">{{ r.title }}</option>
    </select>
    <button type="button" class="link" @click="emit('weigh')">weigh them</button>
    <button type="button" class="link" @click="going = true">remove</button>
    <button type="button" class="link" @click="emit('clear')">clear selection</button>
    <AskFirst v-model="going" :title="`Remove ${these}`" text="Nothing is removed while a kit still loads one of them. You can undo this until you close the window." yes="Remove them" @yes="remove" />
    <PutIntoKit v-model="putting" :docs="docs" />
  </div>
</template>

<style scoped>
.many {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 6px 10px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--corner);
}
.own {
  display: flex;
  gap: 6px;
}
.own input {
  width: 110px;
}
</style>
