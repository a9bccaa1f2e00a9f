import { useState } from 'react'
import { Drawn } from './Drawn'
import { Head, StaffPress, staffOf } from './StaffPress'
import type { SurfaceProps } from './answering'

const MIDDLE_LINE = 4
/** From what is right to what was written, in half spaces. */
const BESIDE = 5

/** A note by its name, or by string and finger: set on the staff. */
export function WriteIt({ question, desk, onReply, solved, right }: SurfaceProps) {
  const [height, setHeight] = useState<number | null>(null)
  const set = (at: number) => {
    if (solved) return
    setHeight(at)
    onReply({ height: at })
  }
  const music = question.sheet.music
  return (
    music && (
      <Drawn music={music} label={question.picture} solved={solved}>
        {(picture) => {
          const x = picture.layout.notes.get(music.hidden[0] ?? '')?.x ?? staffOf(picture).right / 2
          return (
            <StaffPress
              picture={picture}
              desk={desk}
              label="Line or space of the note"
              value={height ?? MIDDLE_LINE}
              onMean={set}
              onPress={set}
            >
              {(hover) => (
                <>
                  {!solved && hover !== null && hover !== height && (
                    <Head picture={picture} x={x} height={hover} className="text-line-dark" />
                  )}
                  {height !== null && !right && (
                    // Beside what is right, so that both can be seen.
                    <Head
                      picture={picture}
                      x={solved ? x + BESIDE * staffOf(picture).step : x}
                      height={height}
                      className={solved ? 'text-maple' : 'text-ink'}
                    />
                  )}
                </>
              )}
            </StaffPress>
          )
        }}
      </Drawn>
    )
  )
}
