import { useState } from 'react'
import type { Place } from '../board/boardSize'
import { PressBoard, type BoardMark } from './PressBoard'
import type { SurfaceProps } from './answering'

/** A note by its name: pressed on the fingerboard. */
export function FindIt({ question, instrument, onReply, solved }: SurfaceProps) {
  const [place, setPlace] = useState<Place | null>(null)
  const press = (at: Place) => {
    setPlace(at)
    onReply({ string: instrument.strings[at.string]?.letter ?? '', semitones: at.semitones })
  }
  const spots = solved ? (question.sheet.board?.spots ?? []) : []
  const isRight = place && spots.some((s) => s.string === place.string && s.semitones === place.semitones)
  const marks: BoardMark[] = [
    ...(place && !isRight ? [{ ...place, sign: '', kind: 'pressed' as const }] : []),
    ...spots.map((s) => ({ string: s.string, semitones: s.semitones, sign: s.sign, kind: 'right' as const })),
  ]
  return <PressBoard instrument={instrument} marks={marks} onPress={solved ? null : press} />
}
