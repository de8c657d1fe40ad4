/** A locker from a table: look at it first, match its columns, then bring all of it in or nothing. */
import { useMutation } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, client } from '@/api/client'
import { asProblem, sentence } from '@/api/problem'
import { changed } from '@/api/queries'
import type { Preview } from '@/api/types'

export function useGearImport() {
  const file = ref<File | null>(null)
  const preview = ref<Preview | null>(null)
  const said = ref('')

  function form(fields: Record<string, string>): FormData {
    const made = new FormData()
    made.append('file', file.value!, file.value!.name)
    for (const [name, value] of Object.entries(fields)) made.append(name, value)
    return made
  }
  const look = useMutation({
    mutationFn: (matched: Record<string, string> | null) => {
      const body = form(matched ? { matched: JSON.stringify(matched) } : {})
      return ask(client.POST('/api/exchange/locker/preview', { body: body as never, bodySerializer: () => body }))
    },
    onSuccess: (told) => {
      preview.value = told
      said.value = ''
    },
    onError: (error) => (said.value = `${file.value?.name ?? ''}: ${sentence(asProblem(error))}`),
  })
  const bring = useMutation({
    mutationFn: (leaveBad: boolean) => {
      const body = form({ matched: JSON.stringify(preview.value?.matched ?? {}), leave_bad: String(leaveBad) })
      return ask(client.POST('/api/exchange/locker/table', { body: body as never, bodySerializer: () => body }))
    },
    onSuccess: async (told) => {
      said.value = `${told.things} things came into the locker.`
      preview.value = file.value = null
      await changed('everything')
    },
    onError: (error) => (said.value = `Nothing came in. ${sentence(asProblem(error))}`),
  })
  function take(chosen: File): void {
    file.value = chosen
    preview.value = null
    look.mutate(null)
  }
  function match(field: string, column: string): void {
    const matched = Object.fromEntries(Object.entries(preview.value?.matched ?? {}).filter(([f, c]) => f !== field && c !== column))
    look.mutate(column ? { ...matched, [field]: column } : matched)
  }
  return { file, preview, said, look, bring, take, match }
}
