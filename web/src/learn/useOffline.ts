import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { learnDesk, learnSheet, learnTune, type Learn } from './queries'

/** Where learners' pages are; teachers' pages do not pass through the worker. */
const SCOPE = '/learn/'

/**
 * A worker that keeps the page on this device, where the browser allows one (W3C Service Workers: over HTTPS, or on
 * this machine).
 */
async function worker() {
  if (!('serviceWorker' in navigator)) return
  await navigator.serviceWorker.register('/learn-worker.js', { scope: SCOPE })
  await navigator.serviceWorker.ready
  if (!navigator.serviceWorker.controller)
    await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }))
}

/** Makes a learner's page open without a network: the page itself, and the tunes and sheets of the week. */
export function useOffline(link: string, seen: Learn | undefined) {
  const queries = useQueryClient()
  useEffect(() => {
    const manifest = document.createElement('link')
    manifest.rel = 'manifest'
    manifest.href = `/api/learn/${link}/app.webmanifest`
    document.head.append(manifest)
    return () => manifest.remove()
  }, [link])
  const week = seen?.work.map((w) => [w.tuneId, w.sheetId, w.taskId].join()).join(' ')
  useEffect(() => {
    if (!seen) return
    worker()
      .then(() =>
        Promise.all([
          // What passes through the worker stays.
          fetch(`/api/learn/${link}`),
          ...seen.work.map((w) =>
            w.tuneId !== null
              ? queries.query({ ...learnTune(link, w.tuneId), staleTime: 0 })
              : w.sheetId !== null
                ? queries.query({ ...learnSheet(link, w.sheetId), staleTime: 0 })
                : w.taskId !== null
                  ? queries.query({ ...learnDesk(link, w.id, null), staleTime: 0 })
                  : null,
          ),
        ]),
      )
      .then(() => document.documentElement.setAttribute('data-kept-here', ''))
      // It goes on as it is: what was seen stays while the page is open.
      .catch(() => undefined)
    // Only when the week is another.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [link, week, queries])
}
