import { useState } from 'react'
import type { Place } from '../board/boardSize'
import { Choices } from './Press'
import { PressBoard, type BoardMark } from './PressBoard'
import type { SurfaceProps } from './answering'

/** The shape of the hand on one string: drawn on the fingerboard. */
export function ShapeDraw({ question, instrument, onReply, solved }: SurfaceProps) {
  const [pressed, setPressed] = useState<readonly number[]>([])
  const { board } = question.sheet
  const only = board?.only ?? 0
  const press = ({ semitones }: Place) => {
    const next = pressed.includes(semitones) ? pressed.filter((s) => s !== semitones) : [...pressed, semitones]
    setPressed(next)
    onReply(next.length === 0 ? null : { semitones: next })
  }
  const spots = board?.spots ?? []
  const marks: BoardMark[] = [
    ...pressed
      .filter((s) => !solved || spots.every((spot) => spot.semitones !== s))
      .map((s) => ({ string: only, semitones: s, sign: '', kind: 'pressed' as const })),
    ...(solved ? spots.map((s) => ({ ...s, kind: 'right' as const })) : []),
  ]
  return <PressBoard instrument={instrument} marks={marks} only={only} onPress={solved ? null : press} />
}

/** The shape of the hand on one string: named from its drawing. */
export function ShapeName({ question, instrument, onReply, solved }: SurfaceProps) {
  const [chosen, setChosen] = useState<string | null>(null)
  const { board } = question.sheet
  const marks: BoardMark[] = (board?.spots ?? []).map((s) => ({ ...s, kind: 'right' }))
  return (
    <div className="grid items-start gap-6 md:grid-cols-[20rem_minmax(0,1fr)]">
      <PressBoard instrument={instrument} marks={marks} only={board?.only ?? 0} onPress={null} />
      <Choices
        label="Shape"
        choices={question.choices}
        chosen={chosen}
        disabled={solved}
        onChoose={(value) => {
          setChosen(value)
          onReply({ semitones: value.split(',').map(Number) })
        }}
      />
    </div>
  )
}
