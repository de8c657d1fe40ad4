<script setup lang="ts">
/** Lays things of one's own locker beside those of another's trip, as they are now; takes them back while no kit loads them. */
import { computed, ref } from 'vue'
import { asProblem, sentence } from '@/api/problem'
import { useLent } from '@/composables/useAlong'
import { useLocker } from '@/composables/useLocker'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { many } from '@/wording/parts'
import SheetDialog from './SheetDialog.vue'

const props = defineProps<{ trip: string }>()
const open = defineModel<boolean>({ required: true })
const units = useUnits()
const { things } = useLocker()
const { lent, lend, takeBack } = useLent(() => props.trip)
const find = ref('')
const picked = ref<string[]>([])
const wrong = ref('')
const mine = computed(() => new Map((lent.value ?? []).filter((one) => one.mine).map((one) => [one.source, one.item])))
const shown = computed(() => (things.value ?? []).map((doc) => doc.thing).filter((thing) => thing.name.toLowerCase().includes(find.value.trim().toLowerCase())))
async function tried(doing: Promise<unknown>): Promise<void> {
  try {
    wrong.value = ''
    await doing
  } catch (error) {
    wrong.value = sentence(asProblem(error))
  }
}
async function lay(): Promise<void> {
  await tried(lend.mutateAsync(picked.value))
  if (wrong.value) return
  picked.value = []
  open.value = false
}
</script>

<template>
  <SheetDialog v-model="open" max-width="560" aria-label="Lend your own gear">
    <div class="sheet">
      <h2>Lend your own gear</h2>
      <p class="quiet">Gear you pick joins this trip as yours, and both of you can load it. The rest of your locker stays private. Anything it does not work without comes along.</p>
      <input v-model="find" type="search" aria-label="Find in your gear" placeholder="find" />
      <ul aria-label="Your gear">
        <li v-for="thing in shown" :key="thing.id">
          <template v-if="mine.has(thing.id)">
            <span>✓ {{ thing.name }} <span class="quiet">on the table</span></span>
            <button type="button" class="link" :aria-label="`Withdraw ${thing.name}`" @click="tried(takeBack.mutateAsync(mine.get(thing.id)!))">withdraw</button>
          </template>
          <label v-else><input v-model="picked" type="checkbox" :value="thing.id" /> {{ thing.name }} <span class="quiet">· {{ fmt.mass(thing.mass_g, units) }}</span></label>
        </li>
      </ul>
      <p v-if="things && !things.length" class="quiet">Your locker is empty.</p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p class="sheet-end">
        <VBtn @click="open = false">Close</VBtn>
        <VBtn color="primary" variant="flat" :disabled="!picked.length" :loading="lend.isPending.value" @click="lay">{{ picked.length ? `Lend ${many(picked.length, 'item')}` : 'Pick gear to lend' }}</VBtn>
      </p>
    </div>
  </SheetDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  max-height: 320px;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 2px 0;
}
p {
  margin: 4px 0;
}
.wrong {
  color: var(--rust);
}
</style>
