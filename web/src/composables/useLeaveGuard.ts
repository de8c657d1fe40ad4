/** Nobody leaves a screen, another document or the page with something unsaved without being asked. */
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate, useRouter, type RouteLocationNormalized } from 'vue-router'

/**
 * flush: saves what was typed; false when some of it stays unsaved. unsaved: whether anything is at this moment, for
 * when the page itself is closed and nothing can be waited for.
 */
export function useLeaveGuard(flush: () => boolean | Promise<boolean>, unsaved: () => boolean) {
  const router = useRouter()
  const leavingTo = ref<RouteLocationNormalized | null>(null)
  let letGo = false
  async function ask(to: RouteLocationNormalized): Promise<boolean> {
    if (letGo || (await flush())) return true
    leavingTo.value = to
    return false
  }
  onBeforeRouteLeave(ask)
  // Another kit or trip on the same screen is another document.
  onBeforeRouteUpdate(ask)
  useEventListener(window, 'beforeunload', (event) => {
    if (unsaved()) event.preventDefault()
  })
  async function leave(): Promise<void> {
    letGo = true
    const to = leavingTo.value
    leavingTo.value = null
    if (to) await router.push(to.fullPath)
    letGo = false
  }
  return { leavingTo, leave }
}
