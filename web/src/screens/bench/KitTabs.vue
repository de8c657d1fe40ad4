<script setup lang="ts">
/** The kits of a trip: flip between them, copy, rename, remove, export. */
import { along } from '@/composables/useAlong'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { mdiDotsVertical } from '@mdi/js'
import { kitLabel, kitRest } from '@/wording/kits'
import type { KitName } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import SheetDialog from '@/components/SheetDialog.vue'
import { useKits } from '@/composables/useBench'
import { notify } from '@/composables/useNotice'

const props = defineProps<{ trip: string; kit: string; kits: KitName[] }>()
const router = useRouter()
const { add, rename, remove } = useKits(() => props.trip)

const naming = ref<'new' | 'copy' | 'rename' | null>(null)
const name = ref('')
const note = ref('')
/** Name and note as they were when the window was opened: what others made of them since is not overwritten. */
const seen = ref(0)
const removing = ref(false)
const TITLES = { new: 'An empty kit', copy: 'A copy of this kit', rename: 'Name and note' } as const

function here(): KitName | undefined {
  return props.kits.find((k) => k.id === props.kit)
}
function ask(what: 'new' | 'copy' | 'rename'): void {
  naming.value = what
  note.value = here()?.note ?? ''
  seen.value = here()?.version ?? 0
  name.value = what === 'rename' ? (here()?.name ?? '') : what === 'copy' ? `${here()?.name ?? 'Kit'}, copy` : 'Kit'
}
function goTo(kit: string): void {
  void router.push({ params: { trip: props.trip, kit } })
}
async function done(): Promise<void> {
  const what = naming.value
  const wanted = name.value.trim()
  if (!what || !wanted) return
  try {
    if (what === 'rename') await rename.mutateAsync({ kit: props.kit, version: seen.value, name: wanted, note: note.value.trim() })
    else goTo((await add.mutateAsync({ name: wanted, copyOf: what === 'copy' ? props.kit : undefined })).id)
    naming.value = null
  } catch (error) {
    notify(error as Error)
  }
}
async function go(): Promise<void> {
  const next = props.kits.find((k) => k.id !== props.kit)
  try {
    await remove.mutateAsync(props.kit)
    if (next) goTo(next.id)
  } catch (error) {
    notify(error as Error)
  }
}
</script>

<template>
  <div class="kits">
    <div class="tabs" role="group" aria-label="Kits">
      <button v-for="k in kits" :key="k.id" type="button" class="kit" :aria-pressed="k.id === kit" :title="k.note || k.name" @click="goTo(k.id)">{{ kitLabel(k) }}</button>
    </div>
    <span class="quiet name">{{ kitRest(here()) }}</span>
    <VMenu location="bottom end">
      <template #activator="{ props: activator }">
        <VBtn v-bind="activator" variant="text" :icon="mdiDotsVertical" width="30" height="30" aria-label="More for this kit" />
      </template>
      <VList density="compact">
        <VListItem title="Copy this kit" @click="ask('copy')" />
        <VListItem title="Name and note" @click="ask('rename')" />
        <VListItem title="New empty kit" @click="ask('new')" />
        <VListItem v-if="!along" title="Export the plan" :href="`/api/exchange/plans/${trip}/${kit}`" />
        <VListItem title="Remove this kit" :disabled="kits.length < 2" @click="removing = true" />
      </VList>
    </VMenu>
    <SheetDialog :model-value="naming !== null" max-width="380" aria-label="Kit" @update:model-value="naming = null">
      <form v-if="naming" class="sheet form" @submit.prevent="done">
        <h2>{{ TITLES[naming] }}</h2>
        <VTextField v-model="name" label="Name" autofocus maxlength="80" />
        <VTextarea v-if="naming === 'rename'" v-model="note" label="Note" rows="3" maxlength="2000" hint="Purpose, who it is for" />
        <div class="row">
          <VBtn @click="naming = null">Cancel</VBtn>
          <VBtn color="primary" variant="flat" type="submit">{{ naming === 'rename' ? 'Keep' : 'Add' }}</VBtn>
        </div>
      </form>
    </SheetDialog>
    <AskFirst v-model="removing" title="Remove this kit" :text="`${here()?.name} and its undo steps go for good. Your gear stays in the locker.`" yes="Remove it" @yes="go" />
  </div>
</template>

<style scoped>
.kits {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}
.tabs {
  display: flex;
  flex: 0 1 auto;
  min-width: 60px;
  overflow-x: auto;
}
.kit {
  font: inherit;
  font-weight: 600;
  background: none;
  border: 1px solid var(--line);
  margin-left: -1px;
  padding: 2px 10px;
  color: var(--muted);
  cursor: pointer;
  white-space: nowrap;
}
.kit:first-child {
  border-radius: var(--corner) 0 0 var(--corner);
}
.kit:last-child {
  border-radius: 0 var(--corner) var(--corner) 0;
}
.kit[aria-pressed='true'] {
  background: var(--button);
  color: var(--button-ink);
  border-color: var(--button);
}
.name {
  flex: 1;
  min-width: 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.row {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
}
</style>
