/** The size of an element in CSS pixels, kept up to date. */
import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

export function useSize(element: Ref<HTMLElement | null>) {
  const width = ref(0)
  const height = ref(0)
  let observer: ResizeObserver | undefined
  onMounted(() => {
    if (!element.value) return
    const measure = (): void => {
      width.value = element.value?.clientWidth ?? 0
      height.value = element.value?.clientHeight ?? 0
    }
    measure()
    observer = new ResizeObserver(measure)
    observer.observe(element.value)
  })
  onBeforeUnmount(() => observer?.disconnect())
  return { width, height }
}
