<script setup lang="ts">
/** The line between a panel and what stands below it: dragged, or moved with the arrow keys; in per cent of the column. */
import { ref } from 'vue'

defineProps<{ label: string }>()
/** What is below may take so much. */
const share = defineModel<number>({ required: true })
const bar = ref<HTMLElement | null>(null)
const [LEAST, MOST, STEP] = [15, 70, 5]
function set(to: number): void {
  share.value = Math.round(Math.min(MOST, Math.max(LEAST, to)))
}
function drag(event: PointerEvent): void {
  const column = bar.value?.parentElement?.getBoundingClientRect()
  if (column && event.buttons) set(((column.bottom - event.clientY) / column.height) * 100)
}
function grab(event: PointerEvent): void {
  bar.value?.setPointerCapture(event.pointerId)
}
</script>

<template>
  <button
    ref="bar"
    type="button"
    class="bar"
    role="separator"
    aria-orientation="horizontal"
    :aria-label="label"
    :aria-valuenow="share"
    :aria-valuemin="LEAST"
    :aria-valuemax="MOST"
    title="Drag, or use the arrow keys"
    @pointerdown.prevent="grab"
    @pointermove="drag"
    @keydown.up.prevent="set(share + STEP)"
    @keydown.down.prevent="set(share - STEP)"
  />
</template>

<style scoped>
.bar {
  border: 0;
  padding: 0;
  flex: none;
  height: 9px;
  margin: -6px 0;
  cursor: row-resize;
  touch-action: none;
  background: linear-gradient(var(--line), var(--line)) center / 44px 3px no-repeat;
}
.bar:hover,
.bar:focus-visible {
  background-image: linear-gradient(var(--saddle), var(--saddle));
}
</style>
