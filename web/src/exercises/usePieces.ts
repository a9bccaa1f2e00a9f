import { useEffect, useMemo, useRef, useState } from 'react'
import type { QuestionMusic } from '../api/client'
import { engraver } from '../engraving/engraver'
import { engravingOptions, type Form, type RowId } from '../engraving/layout'
import { withRoom } from '../engraving/room'

/** A piece of music to be engraved: so wide, or as wide as it needs. */
export type PieceOf = {
  music: QuestionMusic
  rows: readonly RowId[]
  widthPx: number | null
  /** Its last line is spread over the whole width: there is writing to be done in it. */
  spread?: boolean
}

const WIDEST_PX = 20_000

function optionsFor({ rows, widthPx, spread }: PieceOf, form: Form) {
  const options = engravingOptions(widthPx ?? WIDEST_PX, rows, form)
  return widthPx === null
    ? { ...options, breaks: 'none', adjustPageWidth: true, pageMarginTop: 30, pageMarginRight: 0 }
    : { ...options, pageMarginTop: 30, ...(spread && { minLastJustification: 0 }) }
}

const seen = new Map<string, string>()
const MOST_SEEN = 600

/** Pictures of many small pieces, in their order; the last pictures stay until the next are ready. */
export function usePieces(pieces: readonly PieceOf[], staffMm: number) {
  const wanted = useMemo(() => {
    const form: Form = { pieceMm: staffMm }
    return pieces.map((piece) => {
      const xml = withRoom(piece.music.musicXml, piece.music, piece.rows, form)
      const options = optionsFor(piece, form)
      return { xml, options, key: `${JSON.stringify(options)} ${xml}` }
    })
  }, [pieces, staffMm])
  const [state, setState] = useState<{ of: unknown; error: string | null }>({ of: null, error: null })
  const last = useRef<readonly (string | undefined)[]>([])
  useEffect(() => {
    const missing = wanted.filter((w) => !seen.has(w.key))
    const controller = new AbortController()
    engraver.pieces(missing, controller.signal).then(
      (pictures) => {
        if (seen.size > MOST_SEEN) seen.clear()
        // What was cleared away is drawn again when it is asked for.
        pictures.forEach((picture, i) => seen.set(missing[i]?.key ?? '', picture))
        setState({ of: wanted, error: null })
      },
      (problem: unknown) => {
        if (!controller.signal.aborted)
          setState({ of: wanted, error: problem instanceof Error ? problem.message : String(problem) })
      },
    )
    return () => controller.abort()
  }, [wanted])
  const now = wanted.map((w) => seen.get(w.key))
  const complete = now.every((picture) => picture !== undefined)
  useEffect(() => {
    if (complete) last.current = now
  })
  return { pictures: now, error: state.of === wanted ? state.error : null, working: !complete }
}
