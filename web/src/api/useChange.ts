import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { Refusal } from './client'

/** Sends a change and asks anew for what it touches. */
export function useChange<T, R>(call: (input: T) => Promise<R>, touched: readonly string[]) {
  const queries = useQueryClient()
  return useMutation<R, Refusal, T>({
    mutationFn: call,
    onSuccess: () => Promise.all(touched.map((key) => queries.invalidateQueries({ queryKey: [key] }))).then(() => {}),
  })
}

export const byId = (id: number) => ({ params: { path: { id } } })
