import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { TOUCHED, type Changed } from './asked'
import type { Refusal } from './client'

/** Asks anew for what a change may have touched. */
export const askAnew = (queries: QueryClient, changed: Changed) =>
  Promise.all(TOUCHED[changed].map((asked) => queries.invalidateQueries({ queryKey: [asked] }))).then(() => {})

/**
 * Sends a change and asks anew for what it touches.
 * @param inTurn Changes of this name are sent one after the other, each when what the one before has touched is known.
 */
export function useChange<T, R>(call: (input: T) => Promise<R>, changed: Changed, inTurn?: string) {
  const queries = useQueryClient()
  const fresh = () => askAnew(queries, changed)
  return useMutation<R, Refusal, T>({
    ...(inTurn ? { scope: { id: inTurn } } : {}),
    mutationFn: call,
    onSuccess: fresh,
    // Another window was quicker: what it has kept is shown.
    onError: (refusal) => (refusal.status === 409 ? fresh() : undefined),
  })
}

export const byId = (id: number) => ({ params: { path: { id } } })
