/** Fields tell their form while what is typed in them is no value: a form in that state is not saved. */
import { computed, inject, onBeforeUnmount, provide, shallowReactive, watch, type InjectionKey } from 'vue'

type Gate = Set<symbol>
const GATE: InjectionKey<Gate> = Symbol('field gate')

/** For a form: whether a field below it is in error. */
export function useFormGate() {
  const gate: Gate = shallowReactive(new Set<symbol>())
  provide(GATE, gate)
  return computed(() => gate.size > 0)
}
/** For a field: keeps its form's gate shut while it is in error. */
export function useFieldGate(inError: () => boolean): void {
  const gate = inject(GATE, null)
  if (!gate) return
  const me = Symbol('field')
  watch(inError, (bad) => (bad ? gate.add(me) : gate.delete(me)), { immediate: true, flush: 'sync' })
  onBeforeUnmount(() => gate.delete(me))
}
