<script setup lang="ts">
/** The head of every screen: where I am, and how to get elsewhere. */
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { mdiMenu } from '@mdi/js'
import { useSession } from '@/composables/useSession'
import { useKeys } from '@/composables/useKeys'
import { STATIONS } from '@/wording/stations'
import KeyList from './KeyList.vue'
import MuleMark from './MuleMark.vue'

const route = useRoute()
const router = useRouter()
const { session, leave } = useSession()
const keys = ref(false)
const menu = ref(false)

const PLACES = [
  { name: 'trips', title: 'Trips' },
  { name: 'locker', title: 'Locker' },
  { name: 'rules', title: 'Rules' },
  { name: 'settings', title: 'Settings' },
] as const
const inTrip = computed(() => Boolean(route.meta.trip))

async function signOut(): Promise<void> {
  await leave.mutateAsync()
  await router.push({ name: 'welcome' })
}
useKeys([
  { key: '?', does: 'Show all keys', run: () => (keys.value = !keys.value) },
  ...STATIONS.map((station, index) => ({
    key: String(index + 1),
    does: `Go to ${station.title}`,
    run: () => {
      if (inTrip.value) void router.push({ name: station.name, params: route.params })
    },
  })),
])
</script>

<template>
  <header class="head">
    <a class="skip" href="#screen">Skip to the screen</a>
    <RouterLink :to="{ name: 'trips' }" class="brand" aria-label="Narrow Mule, to the trips">
      <MuleMark class="mark" />
      <span class="word">narrow mule</span>
    </RouterLink>
    <div class="slot"><slot /></div>
    <nav v-if="!inTrip" class="places" aria-label="Places">
      <RouterLink v-for="place in PLACES" :key="place.name" :to="{ name: place.name }" class="place">{{ place.title }}</RouterLink>
    </nav>
    <VMenu v-model="menu" location="bottom end">
      <template #activator="{ props: activator }">
        <VBtn v-bind="activator" variant="text" :icon="mdiMenu" width="36" aria-label="Menu" />
      </template>
      <VList density="compact" min-width="190" aria-label="Menu">
        <template v-if="inTrip">
          <VListItem v-for="place in PLACES" :key="place.name" :to="{ name: place.name }" :title="place.title" />
        </template>
        <VListItem title="Keys ?" @click="keys = true" />
        <VListItem :title="`Sign out ${session?.name ?? ''}`" @click="signOut" />
      </VList>
    </VMenu>
    <KeyList v-model="keys" />
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 26px;
  height: 56px;
  padding: 0 14px 0 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
  flex: none;
}
.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  color: var(--ink);
  text-decoration: none;
}
.mark {
  color: var(--saddle);
}
.word {
  font-weight: 800;
  font-stretch: 120%;
  font-size: var(--text-word);
  white-space: nowrap;
}
.slot {
  flex: 1;
  min-width: 0;
  display: flex;
  align-items: center;
  gap: 26px;
}
.places {
  display: flex;
  gap: 22px;
}
.place {
  color: var(--muted);
  text-decoration: none;
  font-stretch: var(--narrow);
  font-size: var(--text-large);
  padding: 4px 0;
}
.place.router-link-active {
  color: var(--ink);
  font-weight: 700;
  box-shadow: 0 2px 0 var(--saddle);
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  background: var(--sheet);
  padding: 6px 10px;
  z-index: 9;
}
@media (max-width: 700px) {
  .head {
    gap: 10px;
    padding: 0 8px;
  }
  .word {
    display: none;
  }
  .places {
    gap: 12px;
  }
}
</style>
