/**
 * The service worker that keeps the field screens working without a network: set up when one of them is first opened,
 * and looked after on every screen from then on, for it serves the whole app.
 */
import { useRegisterSW } from 'virtual:pwa-register/vue'
import { ref } from 'vue'
import { queries } from '@/api/cache'

/** A newer version of the app is here, and shows itself when the page is loaded again. */
export const newer = ref(false)
let takeOver: (() => Promise<void>) | undefined

export function usePwa(): void {
  if (takeOver) return
  // The first visit's answers came before the worker was at work: asked again through it, they are kept for when there
  // is no network.
  const worker = navigator.serviceWorker as ServiceWorkerContainer | undefined
  if (worker && !worker.controller) worker.addEventListener('controllerchange', () => void queries.refetchQueries({ type: 'active' }), { once: true })
  takeOver = useRegisterSW({ onNeedRefresh: () => (newer.value = true) }).updateServiceWorker
}
/** On screens that work without it: only where it is at work already. */
export function usePwaIfAtWork(): void {
  if (navigator.serviceWorker?.controller) usePwa()
}
/** Loads the page again, as the newer version. */
export function toNewer(): void {
  newer.value = false
  // On the visit that set the worker up, the helper takes a newer one for the first and loads nothing again.
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
  void takeOver?.()
}
