<script setup lang="ts">
/** A quick note: used, missed, broke, lent, cold, a battery changed, a card filled, or plain words. Big targets, few taps. */
import { computed, ref } from 'vue'
import type { Entry, Thing, What } from '@/api/types'
import type { Names } from '@/wording/names'
import type { useField } from '@/composables/useField'
import { useUnits } from '@/composables/useSession'
import { day as dayName } from '@/format/dates'
import { parseTyped } from '@/format/typed'
import * as fmt from '@/format/units'
import { EFFECT } from '@/wording/completeness'
import { markText } from '@/wording/field'

const props = defineProps<{ date: string; entries: Entry[]; things: Map<string, Thing>; field: ReturnType<typeof useField>; names: Names }>()
const KINDS = { used: 'used', missed: 'missed', broke: 'broke', lent: 'lent', cold: 'cold', swap: 'battery changed', filled: 'card out', copied: 'copied', note: 'words' } as const
type Kind = keyof typeof KINDS
type Effect = NonNullable<Extract<What, { do: 'missed' }>['effect']>
/** Filters whose lack costs a picture. */
const EFFECTS: Effect[] = ['polariser', 'nd', 'graduated-nd', 'night-sky', 'diffusion']
const kind = ref<Kind>('used')
const item = ref('')
const body = ref('')
const text = ref('')
const a = ref('')
const b = ref('')
const effect = ref<Effect | ''>('')
const lens = ref('')
const until = ref('')
const wrong = ref('')
const units = useUnits()
const degree = computed(() => fmt.typed('temperature', units.value).unit)
const loaded = computed(() => [...new Set(props.entries.map((e) => e.item))].flatMap((id) => props.things.get(id) ?? []))
const of = (...kinds: string[]): Thing[] => loaded.value.filter((t) => kinds.includes(t.kind))
const choices = computed<Thing[]>(() => {
  switch (kind.value) {
    case 'swap':
      return of('battery')
    case 'filled':
      return of('card')
    case 'copied':
      return of('drive', 'computer')
    default:
      return [...of('body', 'lens', 'teleconverter', 'drone'), ...loaded.value.filter((t) => !['bag', 'insert', 'body', 'lens', 'teleconverter', 'drone'].includes(t.kind))]
  }
})
const bodies = computed(() => of('body'))
const today = computed(() => props.field.stands.value.log.filter((m) => 'day' in m.what && m.what.day === props.date))
const usedToday = computed(() => new Set(today.value.flatMap((m) => (m.what.do === 'used' ? [m.what.item] : []))))
function number(from: string, low: number, high: number, whole = false): number | null {
  const n = parseTyped(from, 'plain', units.value) ?? Number.NaN
  return Number.isFinite(n) && n >= low && n <= high && (!whole || Number.isInteger(n)) ? n : null
}
/** Degrees as typed in the user's units, as Celsius. */
function celsius(from: string): number | null {
  const c = parseTyped(from, 'temperature', units.value)
  return c !== null && c >= -60 && c <= 60 ? c : null
}
function say(what: What): void {
  void props.field.mark(what)
  wrong.value = text.value = a.value = b.value = effect.value = lens.value = until.value = ''
}
function takeBack(mark: string): void {
  void props.field.mark({ do: 'taken-back', mark })
}
/** Used that day, or after all not. */
function use(item: string): void {
  const marks = today.value.filter((m) => m.what.do === 'used' && m.what.item === item)
  if (marks.length) for (const mark of marks) takeBack(mark.id)
  else say({ do: 'used', item, day: props.date })
}
/** Makes the note, or says what is missing. */
function keep(): void {
  const day = props.date
  const chosen = item.value || choices.value[0]?.id || ''
  const camera = body.value || bodies.value[0]?.id || ''
  const words = text.value.trim()
  switch (kind.value) {
    case 'missed': {
      if (!words && !effect.value) return void (wrong.value = 'Type what you missed.')
      return say({
        do: 'missed',
        day,
        wanted: (words || EFFECT[effect.value]!).slice(0, 40),
        focal_mm: number(a.value, 1, 3000),
        had_mm: number(b.value, 1, 3000),
        effect: effect.value || null,
        lens: (effect.value && lens.value) || null,
        note: '',
      })
    }
    case 'broke':
      return say({ do: 'broke', item: chosen, day, note: words })
    case 'lent':
      return words ? say({ do: 'lent', item: chosen, day, to: words.slice(0, 40), until: until.value || null }) : void (wrong.value = 'Type who has it.')
    case 'cold': {
      const c = celsius(a.value)
      return c === null ? void (wrong.value = `Type degrees from ${fmt.temperature(-60, units.value)} to ${fmt.temperature(60, units.value)}.`) : say({ do: 'cold', day, lowest_c: c })
    }
    case 'swap': {
      const frames = number(a.value, 0, 1_000_000, true)
      return frames === null ? void (wrong.value = 'Type how many frames it gave.') : say({ do: 'swap', item: chosen, body: camera, day, frames, at_c: celsius(b.value) })
    }
    case 'filled': {
      const [gb, frames] = [number(a.value, 0.001, 100_000), number(b.value, 0, 1_000_000, true)]
      return gb === null || frames === null ? void (wrong.value = 'Type gigabytes and frames.') : say({ do: 'filled', item: chosen, body: camera, day, gb, frames })
    }
    case 'copied': {
      const [gb, minutes] = [number(a.value, 0.001, 100_000), number(b.value, 0.1, 6000)]
      return gb === null || minutes === null ? void (wrong.value = 'Type gigabytes and minutes.') : say({ do: 'copied', to: chosen, day, gb, hours: minutes / 60 })
    }
    case 'note':
      return words ? say({ do: 'note', day, text: words.slice(0, 2000) }) : void (wrong.value = 'The note is empty.')
  }
}
const NUMBERS = computed<Partial<Record<Kind, [string, string]>>>(() => ({ missed: ['needed, mm full-frame', 'had, mm full-frame'], cold: [degree.value, ''], swap: ['frames', `${degree.value} (if known)`], filled: ['GB', 'frames'], copied: ['GB', 'minutes'] }))
const WORDS: Partial<Record<Kind, string>> = { missed: 'missed shot', broke: 'fault', lent: 'lent to', note: 'note' }
</script>

<template>
  <section aria-label="Note">
    <h2>Note for {{ dayName(date) }}</h2>
    <div class="kinds" role="group" aria-label="Kind of note">
      <button v-for="(title, key) in KINDS" :key="key" type="button" class="kind" :aria-pressed="kind === key" @click="((kind = key), (item = ''), (wrong = ''))">{{ title }}</button>
    </div>
    <div v-if="kind === 'used'" class="used">
      <button v-for="t in choices" :key="t.id" type="button" class="thing" :aria-pressed="usedToday.has(t.id)" :title="usedToday.has(t.id) ? 'Tap again to undo' : ''" @click="use(t.id)">{{ usedToday.has(t.id) ? '✓ ' : '' }}{{ t.name }}</button>
    </div>
    <form v-else @submit.prevent="keep">
      <label v-if="['broke', 'lent', 'swap', 'filled', 'copied'].includes(kind)"><span>{{ kind === 'copied' ? 'to' : 'item' }}</span><select v-model="item" @focus="item ||= choices[0]?.id ?? ''"><option value="" disabled hidden>{{ choices[0]?.name }}</option><option v-for="t in choices" :key="t.id" :value="t.id">{{ t.name }}</option></select></label>
      <label v-if="['swap', 'filled'].includes(kind)"><span>camera</span><select v-model="body"><option value="" disabled hidden>{{ bodies[0]?.name }}</option><option v-for="t in bodies" :key="t.id" :value="t.id">{{ t.name }}</option></select></label>
      <label v-if="WORDS[kind]"><span>{{ WORDS[kind] }}</span><input v-model="text" /></label>
      <label v-if="kind === 'lent'"><span>back by</span><input v-model="until" type="date" :min="date" /></label>
      <label v-if="kind === 'missed'"><span>a filter</span><select v-model="effect"><option value="">no filter</option><option v-for="e in EFFECTS" :key="e" :value="e">{{ EFFECT[e] }}</option></select></label>
      <label v-if="kind === 'missed' && effect"><span>on</span><select v-model="lens"><option value="">any lens</option><option v-for="t in of('lens')" :key="t.id" :value="t.id">{{ t.name }}</option></select></label>
      <label v-if="NUMBERS[kind]"><span>{{ NUMBERS[kind]![0] }}</span><input v-model="a" inputmode="decimal" /></label>
      <label v-if="NUMBERS[kind]?.[1]"><span>{{ NUMBERS[kind]![1] }}</span><input v-model="b" inputmode="decimal" /></label>
      <button type="submit" class="kind keep">Save note</button>
    </form>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
    <ul aria-label="Noted this day">
      <li v-for="m in [...today].reverse()" :key="m.id"><span>{{ markText(m.what, names, units) }}<span v-if="m.by" class="quiet"> {{ m.by }}</span></span> <button v-if="m.what.do !== 'cold'" type="button" class="link" :aria-label="`Undo: ${markText(m.what, names, units)}`" @click="takeBack(m.id)">undo</button></li>
    </ul>
  </section>
</template>

<style scoped>
.kinds,
.used {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 6px 0;
}
.kind,
.thing {
  min-height: 48px;
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  text-align: left;
}
.kind[aria-pressed='true'] {
  border-color: var(--saddle);
  box-shadow: inset 0 -3px 0 var(--saddle);
  font-weight: 700;
}
.thing[aria-pressed='true'] {
  border-color: var(--moss);
  color: var(--muted);
}
label {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
input,
select {
  min-width: 0;
  min-height: 48px;
  padding: 4px 8px;
}
.keep {
  width: 100%;
  text-align: center;
  border-color: var(--ink);
  margin-top: 6px;
}
ul {
  margin: 8px 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.bad {
  color: var(--rust);
  margin: 4px 0;
}
</style>
