<script setup lang="ts">
import { computed } from 'vue'
import type { Theme, Units } from '@/api/types'
import PlainFrame from '@/components/PlainFrame.vue'
import { notify } from '@/composables/useNotice'
import { useSession } from '@/composables/useSession'
import * as fmt from '@/format/units'
import AccountCard from './AccountCard.vue'
import DataCard from './DataCard.vue'

const { session, prefer } = useSession()
const units = computed(() => session.value?.units ?? 'metric')
const theme = computed(() => session.value?.theme ?? 'day')

function set(wish: { units?: Units; theme?: Theme }): void {
  prefer.mutate({ units: wish.units ?? units.value, theme: wish.theme ?? theme.value }, { onError: notify })
}
const UNITS: { value: Units; title: string }[] = [
  { value: 'metric', title: 'Metric' },
  { value: 'imperial', title: 'Imperial' },
]
const THEMES: { value: Theme; title: string; says: string }[] = [
  { value: 'day', title: 'Day', says: 'Dark ink on paper.' },
  { value: 'night', title: 'Night', says: 'The same in the dark, for planning in bed.' },
  { value: 'red', title: 'Red light', says: 'Deep red on black, for working under the stars.' },
]
</script>

<template>
  <PlainFrame>
    <div class="screen">
      <h1>Settings</h1>
      <div class="columns">
        <fieldset>
          <legend><h2>Units</h2></legend>
          <label v-for="u in UNITS" :key="u.value" class="choice">
            <input type="radio" name="units" :value="u.value" :checked="units === u.value" @change="set({ units: u.value })" />
            <span><b>{{ u.title }}</b><br /><span class="quiet">{{ fmt.mass(1396, u.value) }}, {{ fmt.load(8570, u.value) }}, {{ fmt.sides([550, 400, 230], u.value) }}, {{ fmt.volume(32, u.value) }}, {{ fmt.temperature(-9, u.value) }}</span></span>
          </label>
        </fieldset>
        <fieldset>
          <legend><h2>Light</h2></legend>
          <label v-for="t in THEMES" :key="t.value" class="choice">
            <input type="radio" name="theme" :value="t.value" :checked="theme === t.value" @change="set({ theme: t.value })" />
            <span><b>{{ t.title }}</b><br /><span class="quiet">{{ t.says }}</span></span>
          </label>
        </fieldset>
        <AccountCard v-if="session?.name && !session.in_demo" :name="session.name" />
        <DataCard :name="session?.name ?? ''" :demo="session?.in_demo ?? false" />
      </div>
    </div>
  </PlainFrame>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 40px;
  max-width: 1100px;
  margin-top: 20px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  padding: 0;
  margin-bottom: 6px;
}
.choice {
  display: flex;
  gap: 12px;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
input {
  margin-top: 2px;
}
section h2 + p {
  margin-top: 6px;
}
</style>
