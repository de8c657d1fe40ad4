<script setup lang="ts">
/** Asks before something cannot be taken back. */
import SheetDialog from './SheetDialog.vue'
withDefaults(defineProps<{ title: string; text: string; yes: string; no?: string }>(), { no: 'Keep it' })
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ yes: [] }>()
function go(): void {
  // First the deed, then the window: closing it lets go of what was asked about.
  emit('yes')
  open.value = false
}
</script>

<template>
  <SheetDialog v-model="open" max-width="420" :aria-label="title">
    <div class="sheet">
      <h2>{{ title }}</h2>
      <p class="text">{{ text }}</p>
      <div class="row">
        <VBtn autofocus @click="open = false">{{ no }}</VBtn>
        <VBtn color="error" @click="go">{{ yes }}</VBtn>
      </div>
    </div>
  </SheetDialog>
</template>

<style scoped>
.text {
  margin: 8px 0 16px;
}
.row {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
}
</style>
