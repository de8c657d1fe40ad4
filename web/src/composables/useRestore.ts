/** A file with all of an account, put back into this one. */
import { useMutation } from '@tanstack/vue-query'
import { ask, client, upload } from '@/api/client'
import { changed } from '@/api/cache'

export function useRestore() {
  return useMutation({
    mutationFn: (file: File) => ask(client.POST('/api/exchange/account', upload(file))),
    onSuccess: () => changed('everything'),
  })
}
