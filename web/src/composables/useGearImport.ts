/** A locker from a table: look at it first, match its columns, then bring all of it in or nothing. */
import { useMutation } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, client, upload } from '@/api/client'
import { asProblem, sentence } from '@/api/problem'
import { changed } from '@/api/cache'
import type { Preview } from '@/api/types'
import { many } from '@/wording/parts'

export function useGearImport() {
  const file = ref<File | null>(null)
  const preview = ref<Preview | null>(null)
  const said = ref('')
  /** Row -> field -> what somebody put in place of its cell. */
  const mends = ref<Record<string, Record<string, string>>>({})

  const look = useMutation({
    mutationFn: (matched: Record<string, string> | null) => {
      const told = { mends: JSON.stringify(mends.value), ...(matched && { matched: JSON.stringify(matched) }) }
      return ask(client.POST('/api/exchange/locker/preview', upload(file.value!, told)))
    },
    onSuccess: (told) => {
      preview.value = told
      said.value = ''
    },
    onError: (error) => (said.value = `${file.value?.name ?? ''}: ${sentence(asProblem(error))}`),
  })
  const bring = useMutation({
    mutationFn: (leaveBad: boolean) => {
      const told = { matched: JSON.stringify(preview.value?.matched ?? {}), leave_bad: String(leaveBad), mends: JSON.stringify(mends.value) }
      return ask(client.POST('/api/exchange/locker/table', upload(file.value!, told)))
    },
    onSuccess: async (told) => {
      said.value = `${many(told.things, 'item')} came into the locker.`
      preview.value = file.value = null
      await changed('everything')
    },
    onError: (error) => (said.value = `Nothing came in. ${sentence(asProblem(error))}`),
  })
  function take(chosen: File): void {
    file.value = chosen
    preview.value = null
    mends.value = {}
    look.mutate(null)
  }
  function match(field: string, column: string): void {
    const matched = Object.fromEntries(Object.entries(preview.value?.matched ?? {}).filter(([f, c]) => f !== field && c !== column))
    look.mutate(column ? { ...matched, [field]: column } : matched)
  }
  function mend(row: number, field: string, value: string): void {
    mends.value = { ...mends.value, [row]: { ...mends.value[row], [field]: value } }
    look.mutate(preview.value?.matched ?? null)
  }
  return { file, preview, said, look, bring, take, match, mend }
}
