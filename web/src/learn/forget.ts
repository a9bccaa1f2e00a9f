import type { QueryClient } from '@tanstack/react-query'
import { forgetAll } from '../offline/kept'
import { theOutbox } from '../offline/outbox'

/** Where the worker keeps the answers to learners’ pages. */
const CACHE = 'learn'

/** Leaves nothing of a learner on this device: what was seen, begun, written and not sent. */
export async function forgetLearner(link: string, queries: QueryClient) {
  const outbox = theOutbox()
  for (const waiting of outbox.of(link)) outbox.forget(waiting)
  forgetAll(link)
  queries.removeQueries({ predicate: ({ queryKey }) => queryKey.includes(link) })
  await outbox.written()
  if (!('caches' in window)) return
  const cache = await caches.open(CACHE)
  for (const request of await cache.keys()) if (request.url.includes(`/learn/${link}`)) await cache.delete(request)
}
