import { useMemo, useState, type ReactNode } from 'react'
import type { Instrument, WritingState, WritingView } from '../api/client'
import { Fingerboard } from '../board/Fingerboard'
import type { Place } from '../board/boardSize'
import { useSmall } from '../ui/useSmall'
import { WritingKeyList } from './WritingKeyList'
import { Palette } from './Palette'
import { usePerLine } from './perLine'
import { useSpots } from './queries'
import { StaffSettings } from './StaffSettings'
import { useTone } from './useTone'
import { useWriting } from './useWriting'
import { useWritingKeys } from './useWritingKeys'
import { WritingStaff } from './WritingStaff'

const NO_SHAPES: readonly [] = []

/** The writing staff with its palette, and the fingerboard that writes too. */
export function WritingDesk({
  first,
  instrument,
  onState,
  head,
}: {
  first: WritingView
  instrument: Instrument
  /** Gets each state, to keep it against a loss. */
  onState: (state: WritingState) => void
  /** Title and what becomes of what is written. */
  head: (view: WritingView) => ReactNode
}) {
  const writing = useWriting(first, instrument.id, usePerLine(), onState)
  const { view, step } = writing
  const small = useSmall()
  const [help, setHelp] = useState(false)
  const [pressed, setPressed] = useState<Place | null>(null)
  const tone = useTone()
  const found = useSpots(instrument.id, view.fifths, view.clef)
  const spots = useMemo(() => new Map(found.data?.map((s) => [s.height, s])), [found.data])

  const writeAt = (height: number, at?: { bar: number; at: number }) => {
    const spot = spots.get(height)
    if (!spot) return
    tone(spot.midi)
    void step({ do: 'pitch', text: spot.pitch, at: at ?? null }, at ? undefined : height)
  }
  const writeLetter = (letter: string) => {
    // The nearest to the note before the caret, as the staff will write it; the answer decides.
    const before = view.events.findLast(
      (e) =>
        e.height !== null &&
        (e.bar < view.state.caret.bar || (e.bar === view.state.caret.bar && e.at < view.state.caret.at)),
    )
    const near = [...spots.values()]
      .filter((s) => s.pitch.startsWith(letter))
      .sort((a, b) => Math.abs(a.height - (before?.height ?? 2)) - Math.abs(b.height - (before?.height ?? 2)))[0]
    tone(near?.midi)
    void step({ do: 'letter', text: letter }, near?.height)
  }
  const tap = (place: Place) => {
    setPressed(place)
    const midi = (instrument.strings[place.string]?.midi ?? 0) + place.semitones
    tone(midi)
    // Outside the key its head waits for the answer.
    const inKey = [...spots.values()].find((s) => s.midi === midi)
    void step({ do: 'place', text: String(place.string), by: place.semitones }, inKey?.height)
  }
  useWritingKeys({ writing, onLetter: writeLetter, onHelp: () => setHelp(true) })
  return (
    <>
      {head(view)}
      <Palette writing={writing} />
      <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_auto] md:grid-cols-[minmax(0,1fr)_18rem] md:grid-rows-1">
        <div className="flex min-h-0 min-w-0 flex-col bg-sheet">
          {!small && (
            <div className="px-3 py-2 md:px-6">
              <StaffSettings writing={writing} />
            </div>
          )}
          {/* A region that scrolls must be reachable from the keyboard. */}
          <div
            className="paper-scroll min-h-0 flex-1 overflow-auto px-2 pb-8 focus-visible:-outline-offset-3 md:px-4"
            // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
            tabIndex={0}
            role="region"
            aria-label="Writing staff"
          >
            <WritingStaff
              writing={writing}
              spots={spots}
              onWrite={(at) => writeAt(at.height, { bar: at.bar, at: at.at })}
              onRepitch={(note, height) => {
                const spot = spots.get(height)
                if (!spot) return
                tone(spot.midi)
                void step({ do: 'repitch', text: spot.pitch, at: note })
              }}
              onCaret={(at) => void step({ do: 'moveTo', at })}
            />
          </div>
          <p className="flex flex-wrap justify-between gap-x-6 border-t border-line px-3 py-1.5 text-sm md:px-6">
            <span role="status" aria-live="polite" data-testid="said">
              {view.said}
            </span>
            <strong data-testid="left">{view.left}</strong>
          </p>
        </div>
        {!small && (
          <aside
            className="min-h-0 overflow-y-auto border-l border-line px-5 py-4"
            aria-label="Fingerboard that writes"
          >
            <p className="mb-2 text-sm">Press a place, and its note is written.</p>
            <Fingerboard
              instrument={instrument}
              shapes={NO_SHAPES}
              now={null}
              sign={null}
              probe={pressed}
              onProbe={tap}
            />
          </aside>
        )}
      </div>
      {help && <WritingKeyList onClose={() => setHelp(false)} />}
    </>
  )
}
