<script setup lang="ts">
/** What is left over and what would help; the picked thing; the room at a point; the space itself. */
import { computed } from 'vue'
import type { Edit, Placed, RoomUse, Slot, Stow, Stowage, Thing, Wish } from '@/api/types'
import type { Names } from '@/wording/names'
import { useUnits } from '@/composables/useSession'
import { goesIn, sidesOf, type Free } from '@/drawing/stow'
import * as fmt from '@/format/units'
import { awayText, balance, blockName, corner, reach, REACH, roomName } from '@/wording/stow'
import DividerFacts from './DividerFacts.vue'
import KeptPlaces from './KeptPlaces.vue'
import LeftOver from './LeftOver.vue'
import OnPeople from './OnPeople.vue'
import TabRow from '@/components/TabRow.vue'

const props = defineProps<{ stowage: Stowage; room: RoomUse; picked: Placed | null; free: Free | null; stow: Stow; slots: Slot[]; outer: Thing | undefined; loaded: Thing[]; names: Names; running: boolean; busy: boolean; file: (form: 'svg' | 'a4' | 'a3') => string }>()
const emit = defineEmits<{ mend: [edits: Edit[]]; stow: [stow: Stow]; pin: [placed: Placed]; again: []; anew: []; disturb: [] }>()
const units = useUnits()
const rooms = computed(() => new Map(props.stowage.rooms.map((r) => [r.room, r])))
const soft = computed(() => props.stowage.soft.filter((s) => s.room === props.room.room))
const ACCESS = [
  { name: 'quick', title: 'quick', hint: REACH.quick },
  { name: 'open', title: 'easy', hint: REACH.open },
  { name: 'deep', title: 'buried', hint: REACH.deep },
] as const
const wish = computed(() => props.stow.wishes?.find((w) => w.item === props.picked?.items[0]))
const pin = computed(() => props.stow.pins?.find((p) => p.item === props.picked?.items[0] && p.bag === props.room.bag))
const pair = computed(() => props.picked?.items.length === 2)
const nested = computed(() => props.stow.nests?.find((n) => n.outer === props.picked?.items[0] && pair.value))
const away = computed(() => (props.picked?.items ?? []).map((id) => ({ id, text: awayText(props.loaded.find((t) => t.id === id)) })).filter((a) => a.text))
const here = computed(() => new Set(props.stowage.placed.filter((p) => rooms.value.get(p.room)?.bag === props.room.bag).flatMap((p) => p.items)))
/** What could lie in the picked hollow thing: things of the same bag that are narrower than its inside. */
const nestable = computed(() => {
  const outer = props.loaded.find((t) => t.id === props.picked?.items[0])
  if (!props.picked || pair.value || outer?.kind !== 'other' || !outer.hollow_mm) return []
  const wide = outer.hollow_mm
  return props.loaded.filter((t) => {
    const sides = sidesOf(t.size)
    return t.id !== outer.id && here.value.has(t.id) && sides && (t.size.shape === 'cylinder' ? t.size.diameter_mm : Math.hypot(sides[1]!, sides[2]!)) <= wide
  })
})
/** Lenses that could be packed on the picked body: those that lie in the same bag. */
const mountable = computed(() => {
  const body = props.loaded.find((t) => t.id === props.picked?.items[0])
  if (!props.picked || pair.value || body?.kind !== 'body' || !body.mount) return []
  return props.loaded.filter((t) => t.kind === 'lens' && t.mount === body.mount && here.value.has(t.id))
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
  return props.loaded.filter((t) => !here.has(t.id) && t.kind !== 'bag' && t.kind !== 'insert' && goesIn(sidesOf(t.size) ?? [Infinity], props.free!.size)).slice(0, 8)
})
function trades(placed: Placed): string[] {
  const others = props.stowage.placed.filter((p) => p.room === placed.room && p.block !== placed.block)
  return others.filter((p) => goesIn(placed.size_mm, p.size_mm) && goesIn(p.size_mm, placed.size_mm)).map((p) => blockName(p, props.names.thing))
}
function setWish(change: Partial<Wish>): void {
  const item = props.picked!.items[0]!
  const made: Wish = { item, access: null, seat: false, ...wish.value, ...change }
  const others = (props.stow.wishes ?? []).filter((w) => w.item !== item)
  emit('stow', { ...props.stow, wishes: made.access || made.seat ? [...others, made] : others })
}
function setNest(inner: string | null): void {
  const outer = props.picked!.items[0]!
  const others = (props.stow.nests ?? []).filter((n) => n.outer !== outer && n.inner !== inner)
  emit('stow', { ...props.stow, nests: inner ? [...others, { outer, inner }] : others })
}
/** Bags and inserts it could go to: not the one it lies in, not itself. */
const others = computed(() => props.loaded.filter((t) => (t.kind === 'bag' || t.kind === 'insert') && t.id !== props.room.bag && !props.picked?.items.includes(t.id)))
function move(bag: string): void {
  emit('mend', props.picked!.items.map((item) => ({ act: 'move', item, place: { where: 'bag', bag, outside: false } })))
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
    <LeftOver :stowage="stowage" :slots="slots" :loaded="loaded" :names="names" :running="running" :busy="busy" @mend="emit('mend', $event)" @again="emit('again')" />
    <section v-if="picked" aria-label="Picked">
      <h2>{{ blockName(picked, names.thing) }}</h2>
      <dl class="facts">
        <dt>where</dt><dd>{{ corner(picked, room) }}</dd>
        <dt>reach it</dt><dd>{{ reach(picked, room) }}</dd>
        <dt>takes up</dt><dd>{{ fmt.sides(picked.size_mm, units) }}, {{ fmt.load(picked.mass_g, units) }}</dd>
        <template v-for="a in away" :key="a.id"><dt>not here</dt><dd>{{ picked.items.length > 1 ? `${names.thing(a.id)}: ` : '' }}{{ a.text }}</dd></template>
        <template v-if="trades(picked).length"><dt>could swap with</dt><dd>{{ trades(picked).join(', ') }}</dd></template>
      </dl>
      <div class="acts">
        <button v-if="pin" type="button" class="link" :disabled="busy" @click="unpin">Unpin it</button>
        <button v-else type="button" class="link" :disabled="busy" @click="emit('pin', picked)">Pin it here</button>
        <button v-if="nested" type="button" class="link" :disabled="busy" @click="setNest(null)">Take it out of {{ names.thing(nested.outer) }}</button>
        <button v-else-if="pair" type="button" class="link" :disabled="busy" @click="setMount(null)">Take the lens off</button>
        <span class="label">Reach</span>
        <TabRow label="How to reach it" :tabs="ACCESS" :disabled="busy" :model-value="wish?.access ?? null" @update:model-value="setWish({ access: wish?.access === $event ? null : $event })">
          <button type="button" class="tab" title="You need it during the flight, so it travels in the bag under the seat" :disabled="busy" :aria-pressed="wish?.seat === true" @click="setWish({ seat: !wish?.seat })">at hand in flight</button>
        </TabRow>
      </div>
      <p v-if="others.length">Move it to <template v-for="(b, index) in others" :key="b.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="move(b.id)">{{ b.name }}</button></template>.</p>
      <p v-if="mountable.length">Pack it with <template v-for="(m, index) in mountable" :key="m.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="setMount(m.id)">{{ m.name }}</button></template> on it.</p>
      <p v-if="nestable.length">Put in it <template v-for="(t, index) in nestable" :key="t.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="setNest(t.id)">{{ t.name }}</button></template>.</p>
    </section>
    <section v-if="free" aria-label="Room here">
      <h2>Room here <span class="quiet">{{ fmt.sides(free.size, units) }}</span></h2>
      <p v-if="!could.length">Nothing from another bag would fit here.</p>
      <p v-else>Fits here: <template v-for="(t, index) in could" :key="t.id">{{ index ? ', ' : '' }}<button type="button" class="link" :disabled="busy" @click="emit('mend', [{ act: 'move', item: t.id, place: { where: 'bag', bag: room.bag, outside: false } }])">{{ t.name }}</button></template>.</p>
    </section>
    <section aria-label="This space">
      <h2>{{ roomName(room, names.thing) }}</h2>
      <dl class="facts">
        <dt>inside</dt><dd>{{ fmt.sides(room.size_mm, units) }}{{ room.measured ? '' : ', calculated: measure it' }}</dd>
        <template v-if="lost"><dt>outside</dt><dd>{{ lost.sides }}, {{ fmt.percent(lost.share) }} lost to walls and shape</dd></template>
        <dt>full</dt><dd>{{ fmt.percent(room.fill) }} with dividers, {{ fmt.load(room.mass_g, units) }} in it</dd>
        <template v-if="room.balance_mm"><dt>balance</dt><dd>{{ balance(room) }}</dd></template>
        <template v-if="soft.length"><dt>soft, in between</dt><dd>{{ soft.map((s) => `${names.thing(s.item)}${s.count > 1 ? ` × ${s.count}` : ''}`).join(', ') }}</dd></template>
      </dl>
    </section>
    <DividerFacts :room="room" :gap="stowage.gap_mm" :file="file" />
    <KeptPlaces :stowage="stowage" :names="names" :running="running" @anew="emit('anew')" @disturb="emit('disturb')" />
    <OnPeople :stowage="stowage" :stow="stow" :names="names" :busy="busy" @stow="emit('stow', $event)" />
  </div>
</template>

<style scoped>
.details {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  margin: 6px 0 0;
}
p {
  margin: 4px 0 0;
}
</style>
