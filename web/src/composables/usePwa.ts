/** The service worker that keeps the field screens working without a network: set up when one of them is first opened. */
import { onMounted } from 'vue'

let asked = false

export function usePwa(): void {
  onMounted(async () => {
    if (asked || !('serviceWorker' in navigator) || import.meta.env.DEV) return
    asked = true
    try {
      await navigator.serviceWorker.register('/sw.js')
    } catch {
      // A browser that will not have it still works with a network.
    }
  })
}
