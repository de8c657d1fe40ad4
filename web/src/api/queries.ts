/** One cache for what the server said. */
import { QueryClient } from '@tanstack/vue-query'
import { Problem } from './problem'

export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      retry: (count, error) => !(error instanceof Problem) && count < 2,
      refetchOnWindowFocus: false,
    },
  },
})
