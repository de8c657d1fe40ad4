<script setup lang="ts">
/** How each kit of a trip stands, in a line: what it weighs, whether power lasts, what of the brief it meets, what stops it. */
import { useQuery } from '@tanstack/vue-query'
import { glanceQuery } from '@/api/queries/trips'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { many } from '@/wording/parts'

const props = defineProps<{ trip: string; wants: boolean }>()
const units = useUnits()
const { data: kits } = useQuery(glanceQuery(props.trip))
type Glance = NonNullable<typeof kits.value>[number]

function lasts(k: Glance): string {
  if (typeof k.power_days === 'string') return ''
  return k.power_days < k.days ? `power ${k.power_days} of ${k.days} days` : 'power lasts'
}
function stops(k: Glance): string {
  if (k.stopped_by.length) return `${many(k.stopped_by.length, 'leg')} ${k.stopped_by.length === 1 ? 'refuses' : 'refuse'} it`
  return k.blockers ? `${k.blockers} must fix` : ''
}
</script>

<template>
  <ul v-if="kits?.length" class="kits" aria-label="Kits">
    <li v-for="k in kits" :key="k.kit">
      <RouterLink class="link" :to="{ name: 'bench', params: { trip, kit: k.kit } }">{{ k.name }}</RouterLink>
      <span v-if="!k.things" class="quiet after">empty</span>
      <span v-else class="quiet after">{{ [`${fmt.load(k.carried_g, units)} carried`, wants ? `${fmt.percent(k.score / 100)} of the brief` : '', lasts(k)].filter(Boolean).join(' · ') }}</span>
      <span v-if="k.things && stops(k)" class="stop after">◆ {{ stops(k) }}</span>
    </li>
  </ul>
</template>

<style scoped>
.kits {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.after {
  margin-left: 8px;
}
.stop {
  white-space: nowrap;
  color: var(--rust);
}
</style>
