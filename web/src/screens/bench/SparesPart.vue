<script setup lang="ts">
/** Which one thing more covers most, when any one thing may be lost or break. */
import type { Edit } from '@/api/types'
import type { Stamped } from '@/api/asking'
import { useSpares } from '@/composables/useBags'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import * as fmt from '@/format/units'
import { spareText } from '@/wording/bags'

const props = defineProps<{ at: Stamped | null; names: Names; busy: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const units = useUnits()
const { spares, looking } = useSpares(() => props.at)
</script>

<template>
  <section aria-label="One spare">
    <h2>One spare <span class="quiet">how one more item would help</span></h2>
    <p v-if="looking" class="quiet" role="status">Trying each item at home…</p>
    <p v-else-if="!spares?.length" class="quiet">No single spare makes any loss smaller.</p>
    <table v-else>
      <tbody>
        <tr v-for="spare in spares" :key="spare.item + spare.owned">
          <td>
            <button v-if="spare.owned" type="button" class="link" :disabled="busy" @click="emit('edit', [{ act: 'load', item: spare.item, count: 1, place: null }])">{{ names.thing(spare.item) }}</button>
            <template v-else>one more {{ names.thing(spare.item) }}, to get</template>
            <div class="label">{{ spareText(spare, names) }}</div>
          </td>
          <td class="number">{{ fmt.massChange(spare.mass_g, units) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 14px;
}
</style>
