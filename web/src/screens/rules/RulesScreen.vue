<script setup lang="ts">
/** Rules: your carriers, and common patterns to start from. */
import { computed, ref } from 'vue'
import type { Carrier, CarrierDoc } from '@/api/types'
import AskFirst from '@/components/AskFirst.vue'
import PlainFrame from '@/components/PlainFrame.vue'
import { useCarriers } from '@/composables/useCarriers'
import { useUnits } from '@/composables/useSession'
import { useUnsaved } from '@/composables/useUnsaved'
import { summary } from './carrier-form'
import CarrierEditor from './CarrierEditor.vue'

const { carriers, loading, patterns } = useCarriers()
const units = useUnits()
const selected = ref<string | null>(null)
const fresh = ref<CarrierDoc | null>(null)
const doc = computed(() => fresh.value ?? carriers.value?.find((d) => d.carrier.id === selected.value) ?? carriers.value?.[0] ?? null)

const editor = ref<InstanceType<typeof CarrierEditor> | null>(null)
const { asking: leaving, before, drop } = useUnsaved(() => Boolean(editor.value?.unsaved()))
function choose(id: string): void {
  fresh.value = null
  selected.value = id
}
function start(pattern: Carrier | null): void {
  const base: Carrier = pattern ?? { id: 'new', name: 'My carrier', means: 'plane', pieces: [], together: [], restricted: [], source: '', checked: null }
  fresh.value = { version: 0, carrier: { ...base, id: 'new' } }
}
</script>

<template>
  <PlainFrame>
    <div class="screen grid stacks">
      <section class="list" aria-label="Carriers">
        <header class="top"><h1>Rules</h1><button type="button" class="link" @click="before(() => start(null))">an empty carrier</button></header>
        <p class="quiet">What each carrier allows, as you read it. Usual rules change: check your carrier and the authority of the country before you fly.</p>
        <h2>Your carriers</h2>
        <p v-if="loading" class="quiet" role="status">Fetching the rules…</p>
        <p v-else-if="!carriers?.length">None yet. Start one from a pattern below.</p>
        <ul>
          <li v-for="d in carriers" :key="d.carrier.id">
            <button type="button" class="plain carrier" :class="{ chosen: !fresh && doc?.carrier.id === d.carrier.id }" @click="before(() => choose(d.carrier.id))">
              <b>{{ d.carrier.name }}</b>
              <span class="quiet">{{ summary(d.carrier, units) }}</span>
            </button>
          </li>
        </ul>
        <h2>Common patterns <span class="quiet">start your own from one</span></h2>
        <ul>
          <li v-for="pattern in patterns" :key="pattern.id">
            <button type="button" class="plain carrier" @click="before(() => start(pattern))">
              <b>{{ pattern.name }}</b>
              <span class="quiet">{{ summary(pattern, units) }}</span>
            </button>
          </li>
        </ul>
      </section>
      <aside class="side" aria-label="The carrier chosen">
        <CarrierEditor v-if="doc" ref="editor" :key="doc.carrier.id + String(fresh?.carrier.name ?? '')" :doc="doc" :fresh="Boolean(fresh)" @done="choose" @gone="selected = null" />
        <p v-else class="quiet">Choose a pattern to make a carrier of your own.</p>
      </aside>
      <AskFirst v-model="leaving" title="This carrier has changes that are not saved" text="Stay and save them, or leave and lose what you typed." yes="Leave and lose it" no="Stay" @yes="drop" />
    </div>
  </PlainFrame>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 640px;
  gap: 28px;
  overflow: hidden;
}
.list,
.side {
  overflow: auto;
  min-height: 0;
}
.side {
  border-left: 1px solid var(--line);
  padding: 6px 6px 6px 26px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
ul {
  list-style: none;
  margin: 6px 0 20px;
  padding: 0;
}
.carrier {
  display: flex;
  flex-direction: column;
  width: 100%;
  padding: 6px 10px;
  border-bottom: 1px solid var(--line);
}
.carrier:hover,
.chosen {
  background: var(--sheet);
}
.chosen {
  box-shadow: inset 3px 0 0 var(--saddle);
}
</style>
