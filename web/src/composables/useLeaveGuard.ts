/** Nobody leaves a screen with typed things unsaved without being asked. */
import { ref } from 'vue'
import { onBeforeRouteLeave, useRouter, type RouteLocationNormalized } from 'vue-router'

/** flush: saves what was typed; false when some of it was refused. */
export function useLeaveGuard(flush: () => Promise<boolean>) {
  const router = useRouter()
  const leavingTo = ref<RouteLocationNormalized | null>(null)
  let letGo = false
  onBeforeRouteLeave(async (to) => {
    if (letGo || (await flush())) return true
    leavingTo.value = to
    return false
  })
  async function leave(): Promise<void> {
    letGo = true
    if (leavingTo.value) await router.push(leavingTo.value.fullPath)
  }
  /** A new document: what was let go of belongs to the old one. */
  function again(): void {
    letGo = false
  }
  return { leavingTo, leave, again }
}
