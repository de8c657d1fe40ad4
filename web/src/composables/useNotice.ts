/** One line at the foot of the screen for what went wrong outside a form, and for what was just done. */
import { ref } from 'vue'
import { asProblem, sentence } from '@/api/problem'

export const notice = ref<string | null>(null)

export function notify(what: string | Error): void {
  notice.value = typeof what === 'string' ? what : sentence(asProblem(what))
}
