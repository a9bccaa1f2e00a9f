import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { Refusal } from './client'

/**
 * Sends a change and asks anew for what it touches.
 * @param inTurn Changes of this name are sent one after the other, each when what the one before has touched is known.
 */
export function useChange<T, R>(call: (input: T) => Promise<R>, touched: readonly string[], inTurn?: string) {
  const queries = useQueryClient()
  const fresh = () => Promise.all(touched.map((key) => queries.invalidateQueries({ queryKey: [key] }))).then(() => {})
  return useMutation<R, Refusal, T>({
    ...(inTurn ? { scope: { id: inTurn } } : {}),
    mutationFn: call,
    onSuccess: fresh,
    // Another window was quicker: what it has kept is shown.
    onError: (refusal) => (refusal.status === 409 ? fresh() : undefined),
  })
}

export const byId = (id: number) => ({ params: { path: { id } } })
