/** Keyboard shortcuts: registered while a screen is shown, silent while somebody types. */
import { onBeforeUnmount, onMounted, reactive } from 'vue'

export interface Shortcut {
  key: string
  does: string
  run: () => void
}

/** All shortcuts in force now, for the list of keys. */
export const inForce = reactive(new Set<Shortcut>())

function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
}

export function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
  if (document.querySelector('.v-overlay--active[role="dialog"], .v-dialog.v-overlay--active') && event.key !== '?') return
  const found = [...inForce].findLast((shortcut) => shortcut.key === event.key)
  if (found) {
    event.preventDefault()
    found.run()
  }
}

export function useKeys(shortcuts: Shortcut[]): void {
  onMounted(() => shortcuts.forEach((shortcut) => inForce.add(shortcut)))
  onBeforeUnmount(() => shortcuts.forEach((shortcut) => inForce.delete(shortcut)))
}
