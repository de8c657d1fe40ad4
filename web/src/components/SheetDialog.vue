<script setup lang="ts">
/** A window above the screen. Once it is closed, the focus is where it was before. */
import { nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { useFocusBack } from '@/composables/useFocusBack'

const open = defineModel<boolean>({ required: true })
const { remember, back } = useFocusBack()
// Before it is on screen and takes the focus.
watch(open, (is) => is && remember(), { immediate: true, flush: 'sync' })
// One that goes with what it was about never leaves by itself.
onBeforeUnmount(() => open.value && void nextTick(back))
/** The window as Vuetify lays it out. */
const dialog = ref<{ contentEl?: HTMLElement } | null>(null)
const FOCUSABLE = 'input, button, select, textarea, a[href]'
/** Whoever opened it by a key is still on the screen beneath. */
function enter(): void {
  const content = dialog.value?.contentEl
  if (content && !content.contains(document.activeElement)) (content.querySelector<HTMLElement>('[autofocus]') ?? content.querySelector<HTMLElement>(FOCUSABLE) ?? content).focus()
}
</script>

<template>
  <VDialog ref="dialog" v-model="open" @after-enter="enter" @after-leave="back"><slot /></VDialog>
</template>
