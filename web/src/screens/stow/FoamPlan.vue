<script setup lang="ts">
/** A cutting plan for the foam of a hard case, layer by layer, to scale; files to cut from; other cases beside it. */
import { computed, ref } from 'vue'
import type { Stamped } from '@/api/asking'
import type { CaseFit, FoamWish, Pocket } from '@/api/types'
import NumberField from '@/components/NumberField.vue'
import type { Names } from '@/wording/names'
import { useFoam } from '@/composables/useFoam'
import { useUnits } from '@/composables/useSession'
import { labelIn } from '@/drawing/stow'
import * as fmt from '@/format/units'
import { many } from '@/wording/parts'
import { blockName } from '@/wording/stow'

const props = defineProps<{ at: Stamped; bag: string; names: Names }>()
const units = useUnits()
const wish = ref<FoamWish>({ wall_mm: 15, layer_mm: 50, notch_mm: 12 })
const { foam, error, cases, file } = useFoam(
  () => props.at,
  () => props.bag,
  wish,
)
/** The lightest other case that takes everything. */
const roomy = computed(() => cases.value?.find((c) => c.bag !== props.bag && !c.left))
/** How many find no pocket in a case: in this one as the plan says, which was searched for longer. */
function without(one: Pick<CaseFit, 'bag' | 'left' | 'proved'>): Pick<CaseFit, 'left' | 'proved'> {
  return one.bag === props.bag && foam.value ? { left: foam.value.left.length, proved: foam.value.proved } : one
}
const LIMITS = { wall_mm: [5, 60], layer_mm: [10, 150], notch_mm: [0, 30] } as const
const wrong = ref<Partial<Record<keyof FoamWish, string>>>({})
function set(field: keyof FoamWish, value: number | null | undefined): void {
  const [least, most] = LIMITS[field]
  const fits = value != null && value >= least && value <= most
  wrong.value = { ...wrong.value, [field]: fits ? undefined : `${least} to ${most} mm` }
  if (fits) wish.value = { ...wish.value, [field]: Math.round(value) }
}
const edge = computed(() => (foam.value ? `0 0 ${foam.value.size_mm[0]} ${foam.value.size_mm[1]}` : ''))
/** Pixels a millimetre takes where two sheets stand side by side, to know which names fit. */
const SHOWN = 0.6
/** Size of a name, in the drawing's own millimetres: about that of a small label on the screen. */
const LABEL_MM = 18
function label(pocket: Pocket): string[] {
  return labelIn(pocket.items.map(props.names.thing).join(' + '), pocket.width_mm * SHOWN, pocket.height_mm * SHOWN)
}
function said(pocket: Pocket): string {
  const name = pocket.items.map(props.names.thing).join(' + ')
  return `${name}${pocket.count > 1 ? ` × ${pocket.count}` : ''}: ${pocket.through ? 'cut through' : `${fmt.side(pocket.depth_mm, units.value)} deep`}`
}
</script>

<template>
  <div class="foam">
    <div class="line">
      <NumberField :model-value="wish.wall_mm" label="Walls" unit="mm" :error="wrong.wall_mm" @update:model-value="set('wall_mm', $event)" />
      <NumberField :model-value="wish.layer_mm" label="One sheet" unit="mm" :error="wrong.layer_mm" @update:model-value="set('layer_mm', $event)" />
      <NumberField :model-value="wish.notch_mm" label="Finger notches" unit="mm" :error="wrong.notch_mm" @update:model-value="set('notch_mm', $event)" />
      <span class="grow" />
      <a :href="file('svg')">SVG</a><a :href="file('dxf')">DXF</a><a :href="file('a4')" target="_blank" rel="noopener">A4 pages</a>
    </div>
    <p v-if="error" class="bad" role="alert">The cutting plan could not be made.</p>
    <p v-else-if="!foam" role="status">Laying out the foam…</p>
    <template v-else>
      <p v-if="foam.left.length" class="bad">No pocket for {{ foam.left.map((b) => blockName(b, names.thing)).join(', ') }}{{ foam.proved ? ' (proved)' : ' (the search ran out of time)' }}. {{ roomy ? `${names.thing(roomy.bag)} takes everything: ${fmt.load(roomy.mass_g, units)} empty. Or try thinner walls.` : 'Try thinner walls or a larger case.' }}</p>
      <p v-else class="quiet">Everything has a pocket; {{ fmt.percent(foam.cut_share) }} of the foam is cut away. Layer 1 is under the lid. Each item comes out without moving another.</p>
      <div class="sheets">
        <figure v-for="layer in foam.layers" :key="layer.number">
          <svg :viewBox="edge" role="img" :aria-label="`Layer ${layer.number}: ${layer.pockets.map(said).join('; ')}`">
            <rect class="sheet" :width="foam.size_mm[0]" :height="foam.size_mm[1]" />
            <g v-for="p in layer.pockets" :key="p.block">
              <title>{{ said(p) }}</title>
              <circle v-if="p.round" :class="{ through: p.through }" class="cut" :cx="p.x_mm + p.width_mm / 2" :cy="p.y_mm + p.height_mm / 2" :r="p.width_mm / 2" />
              <rect v-else :class="{ through: p.through }" class="cut" :x="p.x_mm" :y="p.y_mm" :width="p.width_mm" :height="p.height_mm" />
              <text v-for="(row, index) in label(p)" :key="row + index" :font-size="LABEL_MM" class="name" :class="{ on: p.through }" :x="p.x_mm + p.width_mm / 2" :y="p.y_mm + p.height_mm / 2 + 6 + (index - (label(p).length - 1) / 2) * LABEL_MM * 1.15">{{ row }}</text>
              <circle v-for="(n, index) in p.notches" :key="index" class="notch" :cx="n.x_mm" :cy="n.y_mm" :r="n.radius_mm" />
            </g>
          </svg>
          <figcaption class="label">Layer {{ layer.number }}, {{ fmt.side(layer.thickness_mm, units) }} thick, {{ layer.pockets.length ? many(layer.pockets.length, 'pocket') : 'whole' }}</figcaption>
        </figure>
      </div>
      <table v-if="cases && cases.length > 1">
        <caption class="quiet">The same things in your hard cases</caption>
        <thead><tr><th>case</th><th class="number">inside</th><th class="number">empty</th><th>takes</th></tr></thead>
        <tbody><tr v-for="c in cases" :key="c.bag"><td>{{ names.thing(c.bag) }}</td><td class="number">{{ fmt.sides(c.size_mm, units) }}</td><td class="number">{{ fmt.load(c.mass_g, units) }}</td><td :class="{ bad: without(c).left }">{{ without(c).left ? `▲ all but ${without(c).left}${without(c).proved ? ', proved' : ''}` : 'all of it' }}</td></tr></tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.foam {
  overflow: auto;
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: grid;
  grid-template-columns: repeat(3, 120px) 1fr auto auto auto;
  gap: 10px;
  align-items: center;
  padding-top: 6px;
}
.sheets {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 14px;
}
figure {
  margin: 0;
}
.sheet {
  fill: var(--mat);
}
.cut {
  fill: var(--mat-line);
  stroke: var(--mat-ink);
  stroke-width: 1;
}
.through {
  fill: var(--thing);
}
.name {
  fill: var(--mat-ink);
  font-stretch: var(--narrow);
  text-anchor: middle;
}
.on {
  fill: var(--thing-ink);
}
caption {
  text-align: left;
}
.notch {
  fill: none;
  stroke: var(--mat-figure);
  stroke-dasharray: 4 3;
}
.bad {
  color: var(--rust);
  font-weight: 600;
}
p {
  margin: 0;
}
</style>
