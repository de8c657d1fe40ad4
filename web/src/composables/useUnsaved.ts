/** One form at a time: another thing, another screen and closing the page ask first while it holds something unsaved. */
import { computed, shallowRef } from 'vue'
import { useLeaveGuard } from './useLeaveGuard'

export function useUnsaved(unsaved: () => boolean) {
  const then = shallowRef<(() => void) | null>(null)
  const { leavingTo, leave } = useLeaveGuard(() => !unsaved(), unsaved)
  const asking = computed({
    get: () => then.value !== null || leavingTo.value !== null,
    set: (on) => {
      if (!on) then.value = leavingTo.value = null
    },
  })
  /** Does it, or asks first. */
  function before(act: () => void): void {
    if (unsaved()) then.value = act
    else act()
  }
  /** What was typed is let go of. */
  function drop(): void {
    const act = then.value
    then.value = null
    if (act) act()
    else void leave()
  }
  return { asking, before, drop }
}
