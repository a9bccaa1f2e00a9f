import { Learner, Teacher } from './screens'

/** So long nothing that can wait competes with what is first on the screen. */
const FIRST_MS = 1500

/** Who pays for what is loaded does not want it ahead of need (W3C Save Data). */
const sparesData = () =>
  (navigator as Navigator & { connection?: { saveData?: boolean } }).connection?.saveData === true

/** Fetches the screens that are gone to from here, and the engraver, while nothing else is to be done. */
export function fetchAhead(address: string) {
  if (sparesData()) return
  const screens = address.startsWith('/learn/') ? Learner : Teacher
  const work = () => {
    // Whoever needs one that did not come will be told.
    for (const screen of Object.values(screens)) screen.fetch().catch(() => undefined)
    import('./engraving/engraver').then(({ warmEngraver }) => warmEngraver()).catch(() => undefined)
  }
  setTimeout(() => ('requestIdleCallback' in window ? requestIdleCallback(work, { timeout: 2000 }) : work()), FIRST_MS)
}
