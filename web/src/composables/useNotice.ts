/** One line at the foot of the screen for what went wrong outside a form, and for what was just done. */
import { ref } from 'vue'
import { asProblem, sentence } from '@/api/problem'

export const notice = ref<string | null>(null)

/** Good news goes by itself; what went wrong stays until it is read. */
const GOOD_NEWS_MS = 8000
let timer: ReturnType<typeof setTimeout> | undefined

export function notify(what: string | Error): void {
  clearTimeout(timer)
  if (typeof what === 'string') {
    notice.value = what
    timer = setTimeout(() => (notice.value = null), GOOD_NEWS_MS)
  } else {
    notice.value = sentence(asProblem(what))
  }
}
