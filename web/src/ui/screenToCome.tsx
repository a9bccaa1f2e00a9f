import { lazy, Suspense, useEffect, useState, type ComponentType } from 'react'

/** A screen that is fetched when it is opened, or ahead of it. */
export type ScreenToCome = ComponentType & { fetch: () => Promise<unknown> }

/** A part of Coppia that could not be fetched: there is no network, or the program has been renewed meanwhile. */
export class NotFetched extends Error {}

/**
 * A screen whose script is fetched when it is first opened. One that is here already is drawn at once, so that the keys
 * which follow meet it.
 */
export function toCome<Name extends string>(
  load: () => Promise<Record<Name, ComponentType>>,
  name: Name,
): ScreenToCome {
  let here: ComponentType | undefined
  const fetch = async () => {
    try {
      here = (await load())[name]
    } catch (problem) {
      throw new NotFetched(name, { cause: problem })
    }
    return { default: here }
  }
  const Coming = lazy(fetch)
  return Object.assign(
    () => {
      const [Drawn] = useState(() => here ?? Coming)
      return (
        <Suspense fallback={<Opening />}>
          <Drawn />
        </Suspense>
      )
    },
    { fetch },
  )
}

/** What comes sooner is not announced. */
const WORTH_SAYING_MS = 400

function Opening() {
  const [said, setSaid] = useState(false)
  useEffect(() => {
    const later = setTimeout(() => setSaid(true), WORTH_SAYING_MS)
    return () => clearTimeout(later)
  }, [])
  return (
    <p role="status" className="flex-1 p-8 text-soft">
      {said && 'Opening…'}
    </p>
  )
}
