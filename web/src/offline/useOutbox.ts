import { createContext, use, useEffect, useMemo, useSyncExternalStore } from 'react'
import { Courier, type Sender } from './courier'
import { theOutbox } from './outbox'

type Place = {
  owner: string
  courier: Courier
  put: <T>(kind: string, key: string, value: (now: T | undefined) => T) => void
}

/** Whose pages these are, and who sends what waits. */
export const WhoseOutbox = createContext<Place | null>(null)

/** A courier for one learner, at work as long as the pages are open. */
export function useCourier(owner: string, senders: readonly Sender[]): Place {
  const place = useMemo<Place>(
    () => ({
      owner,
      courier: new Courier(theOutbox(), owner, senders),
      put: (kind, key, value) => theOutbox().put(owner, kind, key, value),
    }),
    [owner, senders],
  )
  useEffect(() => place.courier.start(), [place])
  return place
}

/** What waits of this learner on this device, how to add to it, and how far it has come. */
export function useOutbox() {
  const place = use(WhoseOutbox)
  if (!place) throw new Error('Outside the pages of a learner nothing waits.')
  const { owner, courier, put } = place
  const outbox = theOutbox()
  use(outbox.ready)
  const waiting = useSyncExternalStore(
    (tell) => outbox.listen(tell),
    () => outbox.of(owner),
  )
  const way = useSyncExternalStore(
    (tell) => courier.listen(tell),
    () => courier.way,
  )
  return { waiting, way, put, sendNow: () => courier.sendNow() }
}
