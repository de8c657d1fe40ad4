/**
 * The first page of a visit, when neither the server nor this device has what it needs. Later pages are another matter:
 * the one before them stays on the screen.
 */
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import type { Router } from 'vue-router'
import { asProblem } from '@/api/problem'
import { notify } from './useNotice'

/** Where the visit wants to go, while it cannot. */
export const waitsFor = ref<string | null>(null)
/** Seconds between tries: a phone that finds its network again does not always say so. */
const EVERY_S = 5

/** Says that a page could not be opened. */
export function unreachable(router: Router, path: string, error: unknown): void {
  if (router.currentRoute.value.matched.length) notify(asProblem(error))
  else waitsFor.value = path
}

/** Tries again by itself while a page waits. Called once, by the app. */
export function useUnreachable(router: Router) {
  function retry(): void {
    if (waitsFor.value !== null) void router.replace(waitsFor.value)
  }
  useEventListener(window, 'online', retry)
  useIntervalFn(retry, EVERY_S * 1000)
  return { waitsFor, retry }
}
