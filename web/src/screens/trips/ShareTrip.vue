<script setup lang="ts">
/** Links that open a trip to who comes along: made, told once, taken back. */
import { ref, watch } from 'vue'
import { asProblem, sentence } from '@/api/problem'
import { notify } from '@/composables/useNotice'
import { useLinks } from '@/composables/useSharing'
import { day } from '@/format/dates'
import type { TripDoc } from '@/api/types'
import SheetDialog from '@/components/SheetDialog.vue'

const props = defineProps<{ doc: TripDoc | null }>()
const emit = defineEmits<{ done: [] }>()
const { links, make, takeBack } = useLinks(() => props.doc?.trip.id ?? '')
const ROLES = [
  { value: 'pack', title: 'pack and note: tick the list and write notes under their own name' },
  { value: 'plan', title: 'plan along: edit this trip and lend gear to it, with their own account' },
  { value: 'look', title: 'look: see days and list, change nothing' },
]
const role = ref<'look' | 'pack' | 'plan'>('pack')
const note = ref('')
const until = ref('')
const address = ref('')
const wrong = ref('')
watch(
  () => props.doc,
  () => (address.value = wrong.value = note.value = until.value = ''),
)
async function create(): Promise<void> {
  try {
    const made = await make.mutateAsync({ role: role.value, note: note.value, until: until.value || null })
    address.value = `${location.origin}/shared/${made.secret}`
    wrong.value = ''
  } catch (error) {
    wrong.value = sentence(asProblem(error))
  }
}
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(address.value)
  notify('The link is copied.')
}
</script>

<template>
  <SheetDialog :model-value="doc !== null" max-width="600" aria-label="Share this trip" @update:model-value="emit('done')">
    <div class="sheet">
      <h2>Share “{{ doc?.trip.name }}”</h2>
      <p class="quiet">A link shows this trip only: its days, loaded gear and notes. It never shows the rest of your locker, serial numbers or values{{ role === 'plan' ? '. Someone who plans along sees the whole brief, with body mass and loads' : ', or anyone’s body mass' }}. Anyone with the link can use it until you revoke it.</p>
      <form class="form" @submit.prevent="create">
        <VSelect v-model="role" :items="ROLES" label="Access" hide-details />
        <div class="two">
          <VTextField v-model="note" label="Label (only you see it)" maxlength="80" hide-details />
          <VTextField v-model="until" type="date" label="Expires (optional)" hide-details />
        </div>
        <VBtn type="submit" color="primary" variant="flat" :loading="make.isPending.value">Make a link</VBtn>
      </form>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <div v-if="address" class="made" role="status">
        <p>Copy it now. It is not shown again.</p>
        <VTextField :model-value="address" label="The link" readonly hide-details @focus="($event.target as HTMLInputElement).select()" />
        <VBtn @click="copy">Copy</VBtn>
      </div>
      <ul v-if="links?.length" aria-label="Active links">
        <li v-for="one in links" :key="one.id">{{ { pack: 'pack and note', look: 'look', plan: 'plan along' }[one.role] }}{{ one.note ? `, ${one.note}` : '' }}, made {{ day(one.made.slice(0, 10)) }}{{ one.until ? `, until ${day(one.until)}` : '' }} <button type="button" class="link" :aria-label="`Revoke the link ${one.note || one.id}`" @click="takeBack.mutate(one.id, { onError: notify })">revoke</button></li>
      </ul>
      <p class="end"><VBtn @click="emit('done')">Done</VBtn></p>
    </div>
  </SheetDialog>
</template>

<style scoped>
.form,
.made {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: start;
  margin: 10px 0;
}
.form > :deep(.v-input),
.made > :deep(.v-input),
.two {
  width: 100%;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.end {
  text-align: right;
}
.wrong {
  color: var(--rust);
}
</style>
