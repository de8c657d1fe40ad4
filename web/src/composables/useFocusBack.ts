/** Where the focus was before a window opened, and giving it back once the window is gone. */
import { useEventListener } from '@vueuse/core'

/** Windows and menus hang in here. */
const ABOVE = '.v-overlay-container'
/** What had the focus last on the screen itself: an item of a menu is gone once it was chosen. */
let onScreen: HTMLElement | null = null

/** Called once, by the app: follows the focus over the screen. */
export function useFocusFollowed(): void {
  useEventListener(document, 'focusin', (event) => {
    const at = event.target as HTMLElement
    if (!at.closest(ABOVE)) onScreen = at
  })
}

function takes(element: HTMLElement | null): element is HTMLElement {
  return Boolean(element?.isConnected && element !== document.body && element.getClientRects().length)
}

export function useFocusBack() {
  let opener: HTMLElement | null = null
  /** The window opens. */
  function remember(): void {
    opener = document.activeElement as HTMLElement | null
  }
  /** The window is gone: back to what opened it, or to what was last in focus on the screen, or to the screen. */
  function back(): void {
    // Somebody may have gone elsewhere meanwhile, or another window opened.
    if (takes(document.activeElement as HTMLElement | null)) return
    const to = [opener, onScreen, document.getElementById('screen')].find(takes)
    to?.focus({ preventScroll: true })
  }
  return { remember, back }
}
