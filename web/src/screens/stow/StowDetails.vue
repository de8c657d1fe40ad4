<script setup lang="ts">
/** What is left over and what would help; the picked thing; the room at a point; the space itself. */
import { computed } from 'vue'
import type { Edit, Placed, RoomUse, Stow, Stowage, Thing } from '@/api/types'
import type { Names } from '@/composables/useBench'
import { useUnits } from '@/composables/useSession'
import { goesIn, type Free } from '@/drawing/stow'
import * as fmt from '@/format/units'
import { balance, blockName, corner, leftHead, reach, REACH, roomName } from '@/wording/stow'

const props = defineProps<{ stowage: Stowage; room: RoomUse; picked: Placed | null; free: Free | null; stow: Stow; outer: Thing | undefined; loaded: Thing[]; names: Names; running: boolean; busy: boolean }>()
const emit = defineEmits<{ mend: [edits: Edit[]]; stow: [stow: Stow]; pin: [placed: Placed] }>()
const units = useUnits()
const rooms = computed(() => new Map(props.stowage.rooms.map((r) => [r.room, r])))
const soft = computed(() => props.stowage.soft.filter((s) => s.room === props.room.room))
const wish = computed(() => props.stow.wishes?.find((w) => w.item === props.picked?.items[0])?.access ?? null)
const pin = computed(() => props.stow.pins?.find((p) => p.item === props.picked?.items[0] && p.bag === props.room.bag))
const lens = computed(() => props.picked?.items.length === 2)
/** Lenses that could be packed on the picked body: those that lie in the same bag. */
const mountable = computed(() => {
  const body = props.loaded.find((t) => t.id === props.picked?.items[0])
  if (!props.picked || lens.value || body?.kind !== 'body' || !body.mount) return []
  const here = new Set(props.stowage.placed.filter((p) => rooms.value.get(p.room)?.bag === props.room.bag).flatMap((p) => p.items))
  return props.loaded.filter((t) => t.kind === 'lens' && t.mount === body.mount && here.has(t.id))
})
const lost = computed(() => {
  const outer = props.outer?.size
  if (!outer || outer.shape !== 'box') return null
  const inside = props.stowage.rooms.filter((r) => r.bag === props.room.bag).reduce((sum, r) => sum + r.litres, 0)
  const whole = (outer.length_mm * outer.width_mm * outer.height_mm) / 1e6
  return { sides: fmt.sides([outer.length_mm, outer.width_mm, outer.height_mm], units.value), share: 1 - inside / whole }
})
const could = computed(() => {
  if (!props.free) return []
  const here = new Set(props.stowage.placed.filter((p) => p.room === props.room.room).flatMap((p) => p.items))
  const sides = (t: Thing): number[] | null => (t.size.shape === 'box' ? [t.size.length_mm, t.size.width_mm, t.size.height_mm] : t.size.shape === 'cylinder' ? [t.size.length_mm, t.size.diameter_mm, t.size.diameter_mm] : null)
  return props.loaded.filter((t) => !here.has(t.id) && t.kind !== 'bag' && t.kind !== 'insert' && sides(t) !== null && goesIn(sides(t)!, props.free!.size)).slice(0, 8)
})
function trades(placed: Placed): string[] {
  const others = props.stowage.placed.filter((p) => p.room === placed.room && p.block !== placed.block)
  return others.filter((p) => goesIn(placed.size_mm, p.size_mm) && goesIn(p.size_mm, placed.size_mm)).map((p) => blockName(p, props.names.thing))
}
function setWish(access: 'quick' | 'open' | 'deep' | null): void {
  const item = props.picked!.items[0]!
  const others = (props.stow.wishes ?? []).filter((w) => w.item !== item)
  emit('stow', { ...props.stow, wishes: access ? [...others, { item, access }] : others })
}
function unpin(): void {
  emit('stow', { ...props.stow, pins: (props.stow.pins ?? []).filter((p) => p !== pin.value) })
}
function setMount(lensId: string | null): void {
  const body = props.picked!.items[0]!
  const others = (props.stow.mounts ?? []).filter((m) => m.body !== body && m.lens !== lensId)
  emit('stow', { ...props.stow, mounts: lensId ? [...others, { body, lens: lensId }] : others })
}
</script>

<template>
  <div class="details">
    <section aria-label="Left over" aria-live="polite">
      <h2>{{ stowage.left.length ? 'Left over' : running ? 'Packing…' : 'Everything has a place' }} <span class="quiet">{{ stowage.left.length || running ? '' : stowage.checked ? 'checked: nothing overlaps or sticks out' : 'the check found a fault' }}</span></h2>
      <div v-for="over in stowage.left" :key="over.bag + over.item + over.why" class="over">
        <b>{{ leftHead(over, names.thing) }}</b>
        <template v-for="(help, index) in over.helps" :key="help.room">
          {{ index ? ' or ' : ' ' }}<button type="button" class="link" :disabled="busy" @click="emit('mend', [{ act: 'move', item: over.item, place: { where: 'bag', bag: help.bag, outside: false } }])">Move it to {{ names.thing(help.bag) }}</button>
        </template>
        <template v-if="!over.helps?.length"> No other bag takes it.</template>
      </div>
    </section>
    <section v-if="picked" aria-label="Picked">
      <h2>{{ blockName(picked, names.thing) }}</h2>
      <dl>
        <dt>where</dt><dd>{{ corner(picked, room) }}</dd>
        <dt>reach it</dt><dd>{{ reach(picked, room) }}</dd>
        <dt>lies</dt><dd>{{ fmt.sides(picked.size_mm, units) }}, {{ fmt.load(picked.mass_g, units) }}</dd>
        <template v-if="trades(picked).length"><dt>could trade with</dt><dd>{{ trades(picked).join(', ') }}</dd></template>
      </dl>
      <p class="acts">
        <button v-if="pin" type="button" class="link" :disabled="busy" @click="unpin">Unpin it</button>
        <button v-else type="button" class="link" :disabled="busy" @click="emit('pin', picked)">Pin it here</button>
        <button v-if="lens" type="button" class="link" :disabled="busy" @click="setMount(null)">Take the lens off</button>
        <span class="wishes" role="group" aria-label="How you want to reach it">
          <button v-for="(text, access) in { quick: 'quick', open: 'one zip', deep: 'deep' }" :key="access" type="button" class="tab" :title="REACH[access]" :disabled="busy" :aria-pressed="wish === access" @click="setWish(wish === access ? null : access)">{{ text }}</button>
        </span>
      </p>
      <p v-if="mountable.length" class="acts">Pack it with <template v-for="(m, index) in mountable" :key="m.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="setMount(m.id)">{{ m.name }}</button></template> on it.</p>
    </section>
    <section v-if="free" aria-label="Room here">
      <h2>Room here <span class="quiet">{{ fmt.sides(free.size, units) }}</span></h2>
      <p v-if="!could.length">Nothing loaded from elsewhere would go in here.</p>
      <p v-else>Would take <template v-for="(t, index) in could" :key="t.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="emit('mend', [{ act: 'move', item: t.id, place: { where: 'bag', bag: room.bag, outside: false } }])">{{ t.name }}</button></template>.</p>
    </section>
    <section aria-label="This space">
      <h2>{{ roomName(room, names.thing) }}</h2>
      <dl>
        <dt>inside</dt><dd>{{ fmt.sides(room.size_mm, units) }}{{ room.measured ? '' : ', reckoned: measure it' }}</dd>
        <template v-if="lost"><dt>outside</dt><dd>{{ lost.sides }}, {{ fmt.percent(lost.share) }} lost to walls and shape</dd></template>
        <dt>full</dt><dd>{{ fmt.percent(room.fill) }} with dividers, {{ fmt.load(room.mass_g, units) }}</dd>
        <template v-if="room.balance_mm"><dt>balance</dt><dd>{{ balance(room) }}</dd></template>
        <template v-if="soft.length"><dt>soft, in between</dt><dd>{{ soft.map((s) => `${names.thing(s.item)}${s.count > 1 ? ` × ${s.count}` : ''}`).join(', ') }}</dd></template>
        <dt>dividers</dt><dd>{{ room.divided ? `${fmt.figure(stowage.gap_mm)} mm between hard things` : 'none here' }}</dd>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.details {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 16px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  margin: 4px 0 0;
}
dt,
dd {
  padding: 4px 0;
  margin: 0;
  border-bottom: 1px solid var(--line);
}
dt {
  color: var(--muted);
  padding-right: 14px;
}
dd {
  text-align: right;
}
.over {
  background: var(--sheet);
  border-left: 4px solid var(--rust);
  padding: 8px 10px;
  margin-top: 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  margin: 6px 0 0;
}
.wishes {
  margin-left: auto;
}
p {
  margin: 4px 0 0;
}
</style>
