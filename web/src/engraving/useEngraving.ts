import { useEffect, useMemo, useRef, useState } from 'react'
import { engraver, type EngraveRequest } from './engraver'
import { pageOf, type Page } from './pages'

export type Engraving = {
  /** The pages so far. */
  pages: readonly Page[]
  /** How many there will be. */
  count: number
  error: string | null
  working: boolean
  /** Ends the work; what there is stays. */
  stop: () => void
  /** True where the user ended it. */
  stopped: boolean
  /** Begins anew after a fault or a stop. */
  again: () => void
}

/** A score to engrave. Told apart as a thing: to compare long texts at each drawing takes longer than the drawing. */
type Job = { xml: string; settings: string }

const NOTHING = {
  of: null as Job | null,
  pages: [] as readonly Page[],
  count: 0,
  error: null as string | null,
  ended: null as Job | null,
}

/**
 * Engraves MusicXML in the background; the last picture stays until the first page of the next is ready.
 * @param soundsAs The music that it shows, where that may be heard too.
 */
export function useEngraving(
  xml: string | undefined,
  options: Record<string, unknown> | null,
  desk: EngraveRequest['desk'] = 'small',
  soundsAs?: string,
): Engraving {
  const [state, setState] = useState(NOTHING)
  const work = useRef<AbortController>(null)
  const settings = options && JSON.stringify(options)
  const [tries, setTries] = useState(0)
  const heard = useRef(soundsAs)
  useEffect(() => {
    heard.current = soundsAs
  }, [soundsAs])
  const wanted = useMemo<Job | null>(
    () => (xml && settings ? { xml, settings } : null),
    // Another try is another job.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [xml, settings, tries],
  )
  useEffect(() => {
    if (!wanted) return
    const controller = new AbortController()
    const of = wanted
    const end = (error: string | null) =>
      setState((s) => ({ ...(s.of === of ? s : { ...NOTHING, of }), error, ended: of }))
    engraver
      .pages(wanted.xml, JSON.parse(wanted.settings) as Record<string, unknown>, {
        desk,
        soundsAs: heard.current,
        signal: controller.signal,
        // Only the first page takes the place of the last picture; a new worker begins again with it.
        onPage: (order, svg, count) => {
          const page = pageOf(svg)
          setState((s) => ({ of, pages: order > 0 ? [...s.pages, page] : [page], count, error: null, ended: null }))
        },
      })
      .then(
        () => end(null),
        (problem: unknown) => {
          if (controller.signal.reason === STOPPED) end(STOPPED)
          else if (!controller.signal.aborted) end(problem instanceof Error ? problem.message : String(problem))
        },
      )
    work.current = controller
    return () => controller.abort()
  }, [wanted, desk])
  return {
    pages: state.pages,
    count: state.count,
    error: state.error,
    working: state.ended !== wanted,
    stop: () => work.current?.abort(STOPPED),
    stopped: state.error === STOPPED,
    again: () => setTries(tries + 1),
  }
}

const STOPPED = 'Engraving was stopped.'
