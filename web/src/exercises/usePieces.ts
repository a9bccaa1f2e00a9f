import { useEffect, useMemo, useState } from 'react'
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

type Wanted = { xml: string; options: Record<string, unknown>; key: string }

/**
 * What was worked out for a piece of music, by how it is to be engraved: of a large sheet all but what changed is there
 * already.
 */
const known = new WeakMap<QuestionMusic, Map<string, Wanted>>()

function wantedOf(piece: PieceOf, form: Form): Wanted {
  const options = optionsFor(piece, form)
  const how = JSON.stringify(options) + piece.rows.join()
  const own = known.get(piece.music) ?? new Map<string, Wanted>()
  known.set(piece.music, own)
  let wanted = own.get(how)
  if (!wanted) {
    const xml = withRoom(piece.music, piece.rows, form)
    wanted = { xml, options, key: `${how} ${xml}` }
    own.set(how, wanted)
  }
  return wanted
}

const seen = new Map<string, string>()
/** So many pictures are kept beside those that are wanted now. */
const MOST_SEEN = 600

/** Forgets the oldest pictures that are not wanted. */
function forget(wanted: readonly Wanted[]) {
  const needed = new Set(wanted.map((w) => w.key))
  for (const key of seen.keys()) {
    if (seen.size <= MOST_SEEN + needed.size) return
    if (!needed.has(key)) seen.delete(key)
  }
}

/** Pictures of many small pieces, in their order; undefined until it is engraved. */
export function usePieces(pieces: readonly PieceOf[], staffMm: number) {
  const wanted = useMemo(() => {
    const form: Form = { pieceMm: staffMm }
    return pieces.map((piece) => wantedOf(piece, form))
  }, [pieces, staffMm])
  const [state, setState] = useState<{ of: unknown; error: string | null }>({ of: null, error: null })
  useEffect(() => {
    const missing = wanted.filter((w) => !seen.has(w.key))
    const controller = new AbortController()
    engraver.pieces(missing, controller.signal).then(
      (pictures) => {
        forget(wanted)
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
  return { pictures: now, error: state.of === wanted ? state.error : null }
}
