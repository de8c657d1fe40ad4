<script setup lang="ts">
/** The cabin bag is refused: what comes out, in which order, and where it goes; proved by stowing it. */
import type { Drill } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { GRAB } from '@/wording/gate'

defineProps<{ drills: Drill[] | undefined; names: Names }>()
const units = useUnits()
function homeless(drill: Drill): string[] {
  return drill.out.filter((t) => t.into === null).map((t) => t.item)
}
</script>

<template>
  <div>
    <p class="quiet">They take the bag at the door: the overhead locker is full, or it is too big for the seat. Now it is a hold bag. Lithium out first.</p>
    <p v-if="!drills" role="status">Trying it out…</p>
    <p v-else-if="!drills.length">No cabin bag is loaded.</p>
    <section v-for="d in drills" :key="d.bag">
      <h2>{{ names.thing(d.bag) }}, {{ names.person(d.person) }} <span class="quiet">{{ fmt.load(d.mass_g, units) }} come out</span></h2>
      <ol>
        <li v-for="t in d.out" :key="t.item">
          {{ names.thing(t.item) }}<template v-if="t.count > 1"> × {{ t.count }}</template> <span class="quiet">{{ GRAB[t.why] }}</span>
          <span v-if="t.into === 'pocket'" class="to">pocket</span>
          <span v-else-if="t.into" class="to">{{ names.thing(t.into) }}</span>
          <b v-else class="to bad">▲ no room</b>
        </li>
      </ol>
      <p v-if="homeless(d).length" class="bad">{{ d.into ? `${names.thing(d.into)} and your pockets have no room for ${homeless(d).length} of them${d.proved ? ' (proved)' : ''}.` : `No other bag to move into, and your pockets have no room for ${homeless(d).length} of them. A small bag under the seat would help.` }}</p>
      <p v-else-if="d.out.length">{{ d.into ? `${names.thing(d.into)} and your pockets take everything${d.into ? `; the bag then weighs ${fmt.load(d.into_g, units)}` : ''}.` : 'Your pockets take everything.' }}</p>
    </section>
  </div>
</template>

<style scoped>
section {
  margin-top: 12px;
}
ol {
  margin: 4px 0;
  padding-left: 22px;
}
li {
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.to {
  float: right;
}
li::marker {
  color: var(--muted);
}
.bad {
  color: var(--rust);
}
p {
  margin: 4px 0;
}
</style>
