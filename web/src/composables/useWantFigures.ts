/** What a subject or an output asks for, as the server reckons it while it is typed. */
import { useMutation } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'
import type { Want } from '@/api/types'

export type Subject = NonNullable<Want['subject']>
export type Output = NonNullable<Want['output']>

export function useWantFigures() {
  return useMutation({
    mutationFn: (typed: { subject: Subject | null; output: Output | null }) => ask(client.POST('/api/brief/want', { body: typed })),
  })
}
