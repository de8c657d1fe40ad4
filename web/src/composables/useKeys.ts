/** Keyboard shortcuts: registered while a screen is shown, silent while somebody types. */
import { onBeforeUnmount, onMounted, reactive } from 'vue'

export interface Shortcut {
  /** As the browser names it; with Ctrl (or Cmd) held: "ctrl+z", "ctrl+shift+z". */
  key: string
  does: string
  /** Nothing: the key is told here and heeded where the focus is. */
  run?: () => void
}

/** All shortcuts in force now, for the list of keys. */
export const inForce = reactive(new Set<Shortcut>())

function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
}

function named(event: KeyboardEvent): string {
  if (!event.ctrlKey && !event.metaKey) return event.key
  return `ctrl+${event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}`
}

export function onKey(event: KeyboardEvent): void {
  if (event.altKey || typing(event.target)) return
  if (document.querySelector('.v-overlay--active[role="dialog"], .v-dialog.v-overlay--active') && event.key !== '?') return
  const key = named(event)
  const found = [...inForce].findLast((shortcut) => shortcut.key === key)
  if (found?.run) {
    event.preventDefault()
    found.run()
  }
}

export function useKeys(shortcuts: Shortcut[]): void {
  onMounted(() => shortcuts.forEach((shortcut) => inForce.add(shortcut)))
  onBeforeUnmount(() => shortcuts.forEach((shortcut) => inForce.delete(shortcut)))
}

/** A key as it is printed on the list: "Space", "Ctrl+Shift+Z". */
export function spelt(key: string): string {
  if (key === ' ') return 'Space'
  if (!key.startsWith('ctrl+')) return key
  return key
    .split('+')
    .map((part) => part[0]!.toUpperCase() + part.slice(1))
    .join('+')
}
