<script setup lang="ts">
/** ours: whether whoever looks may change what the signs mean. Battery board and card board: one big button per piece. Erasing a card with too few copies asks twice. */
import { computed, ref } from 'vue'
import type { Entry, Signs, Thing } from '@/api/types'
import type { useField } from '@/composables/useField'
import { carded, cards, copied, packs, safeToErase, turned, type Card } from '@/field/boards'
import { CARD, PACK } from '@/wording/field'

const props = defineProps<{ entries: Entry[]; things: Map<string, Thing>; field: ReturnType<typeof useField>; signs: Signs; copies: number; ours?: boolean }>()
const emit = defineEmits<{ signs: [Signs] }>()
const packBoard = computed(() => packs(props.entries, props.things, props.field.stands.value))
const cardBoard = computed(() => cards(props.entries, props.things, props.field.stands.value))
/** The card somebody wants to erase, and how often they were asked. */
const erasing = ref<{ card: Card; asked: number } | null>(null)
const telling = ref(false)
const SIGNS = { pack_ready: 'a ready battery', pack_spent: 'a spent battery', card_blank: 'a blank card', card_full: 'a full card', card_copied: 'a copied card' } as const
const told = computed(() => (Object.keys(SIGNS) as (keyof typeof SIGNS)[]).filter((k) => props.signs[k]))

function setCard(wish: Parameters<typeof props.field.mark>[0]): void {
  erasing.value = null
  void props.field.mark(wish)
}
function erase(card: Card): void {
  const asked = erasing.value?.card.item === card.item && erasing.value.card.piece === card.piece ? erasing.value.asked : 0
  if (safeToErase(card, props.copies) || asked >= 2) setCard(carded(card, 'blank'))
  else erasing.value = { card, asked: asked + 1 }
}
function asking(card: Card): number {
  return erasing.value?.card.item === card.item && erasing.value.card.piece === card.piece ? erasing.value.asked : 0
}
function sign(key: keyof typeof SIGNS, event: Event): void {
  emit('signs', { ...props.signs, [key]: (event.target as HTMLInputElement).value.trim().slice(0, 120) })
}
</script>

<template>
  <section aria-label="Batteries and cards">
    <h2>Batteries <span class="quiet">tap: ready, in use, spent, charging</span></h2>
    <div class="board">
      <button v-for="p in packBoard" :key="p.item + p.piece" type="button" class="piece" :class="p.state" @click="field.mark(turned(p))">
        <b>{{ p.name }} {{ p.piece }}</b><span>{{ PACK[p.state] }}</span>
      </button>
    </div>
    <p v-if="!packBoard.length" class="quiet">No batteries are loaded.</p>
    <h2>Cards <span class="quiet">{{ copies }} copies planned</span></h2>
    <div v-for="c in cardBoard" :key="c.item + c.piece" class="card" :class="c.state">
      <div class="head"><b>{{ c.name }} {{ c.piece }}</b> <span>{{ CARD[c.state] }}{{ c.copies ? `, copied ${c.copies} ×` : '' }}{{ c.state === 'full' ? (safeToErase(c, copies) ? ', safe to erase' : ', do not erase') : '' }}</span></div>
      <div class="acts">
        <button v-if="c.state !== 'in-use'" type="button" class="act" @click="setCard(carded(c, 'in-use'))">in use</button>
        <button v-if="c.state !== 'full'" type="button" class="act" @click="setCard(carded(c, 'full'))">full</button>
        <button v-if="c.state !== 'blank' && c.copies < 9" type="button" class="act" @click="setCard(copied(c))">+ copy</button>
        <button v-if="c.state !== 'blank'" type="button" class="act" @click="erase(c)">erased</button>
      </div>
      <p v-if="asking(c)" class="warn" role="alert">
        {{ asking(c) === 1 ? `Only ${c.copies} of ${copies} copies made. Erase it all the same?` : 'This may be the only place with its pictures. Erase it all the same?' }}
        <button type="button" class="act" @click="erase(c)">{{ asking(c) === 1 ? 'Yes, erase' : 'Erase, I am sure' }}</button>
        <button type="button" class="act" @click="erasing = null">Keep it</button>
      </p>
    </div>
    <p v-if="!cardBoard.length" class="quiet">No cards are loaded.</p>
    <h2>Battery and card markings <button v-if="ours" type="button" class="link" :aria-expanded="telling" @click="telling = !telling">{{ telling ? 'done' : 'change' }}</button></h2>
    <template v-if="telling">
      <label v-for="(text, key) in SIGNS" :key="key" class="sign"><span>{{ text }}</span><input :value="signs[key]" maxlength="120" placeholder="contacts out, red pouch…" @change="sign(key, $event)" /></label>
    </template>
    <p v-for="key in told" v-else :key="key"><span class="quiet">{{ SIGNS[key] }}:</span> {{ signs[key] }}</p>
    <p v-if="!told.length && !telling" class="quiet">{{ ours ? 'Describe how you mark batteries and cards: others may read the same mark the other way round.' : 'No markings described yet.' }}</p>
  </section>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 8px;
  margin: 4px 0 12px;
}
.piece {
  min-height: 64px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  align-items: flex-start;
  padding: 6px 8px;
  border: 2px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  text-align: left;
}
.ready {
  border-color: var(--moss);
}
.in-use {
  border-color: var(--ink);
}
.spent {
  border-style: dashed;
  border-color: var(--rust);
}
.charging {
  border-style: dotted;
  border-color: var(--ochre);
}
.card {
  border-left: 4px solid var(--line);
  padding: 4px 0 4px 10px;
  margin: 6px 0;
}
.card.full {
  border-color: var(--rust);
}
.card.in-use {
  border-color: var(--ink);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 4px;
}
.act {
  min-height: 44px;
  padding: 4px 14px;
  border: 1px solid var(--ink);
  border-radius: 3px;
  background: var(--sheet);
}
.warn {
  color: var(--rust);
  margin: 6px 0 0;
}
.sign {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
}
input {
  min-height: 40px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 4px 6px;
}
p {
  margin: 4px 0;
}
</style>
