import { useState } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Press, PressRow } from './Press'
import type { SurfaceProps } from './answering'

const PLACE_KEYS: Record<string, string> = { low: 'l', regular: 'r', high: 'h', back: 'x', forward: 'x' }

/** A note on the staff: its string, its finger, and where the finger stands. */
export function FingerIt({ question, desk, instrument, onReply, solved }: SurfaceProps) {
  const [string, setString] = useState<string | null>(null)
  const [finger, setFinger] = useState<number | null>(null)
  const [place, setPlace] = useState('regular')
  const places = desk.fingers.find((f) => f.finger === finger)?.places ?? []
  const tell = (s: string | null, f: number | null, p: string) => {
    if (solved) return
    const own = desk.fingers.find((x) => x.finger === f)?.places ?? []
    const fits = own.some((x) => x.value === p) ? p : 'regular'
    setString(s)
    setFinger(f)
    setPlace(fits)
    onReply(s === null || f === null ? null : { string: s, finger: f, place: f === 0 ? 'open' : fits })
  }
  useKeys({
    ...Object.fromEntries(instrument.strings.map((s) => [s.letter.toLowerCase(), () => tell(s.letter, finger, place)])),
    ...Object.fromEntries(desk.fingers.map((f) => [String(f.finger), () => tell(string, f.finger, 'regular')])),
    ...Object.fromEntries(places.map((p) => [PLACE_KEYS[p.value] ?? p.value, () => tell(string, finger, p.value)])),
  })
  return (
    <>
      {question.sheet.music && <Drawn music={question.sheet.music} label={question.picture} solved={solved} />}
      <div className="mt-4 flex flex-col gap-3">
        <PressRow label="String">
          {instrument.strings.map((s) => (
            <Press
              key={s.index}
              label={`${s.letter} string`}
              pressed={string === s.letter}
              disabled={solved}
              onPress={() => tell(s.letter, finger, place)}
            >
              {s.letter}
              <span className="w-8 bg-current" style={{ height: s.thickness * 1.6 }} aria-hidden="true" />
            </Press>
          ))}
        </PressRow>
        <PressRow label="Finger">
          {desk.fingers.map((f) => (
            <Press
              key={f.finger}
              label={f.finger === 0 ? '0, open string' : `finger ${f.finger}`}
              pressed={finger === f.finger}
              disabled={solved}
              onPress={() => tell(string, f.finger, place)}
            >
              {f.finger}
            </Press>
          ))}
        </PressRow>
        {/* Always there, so that nothing jumps. */}
        <PressRow label="Place of the finger">
          {(places.length > 1 ? places : []).map((p) => (
            <Press
              key={p.value}
              wide
              pressed={place === p.value}
              disabled={solved}
              keyName={PLACE_KEYS[p.value]?.toUpperCase()}
              onPress={() => tell(string, finger, p.value)}
            >
              {p.label}
            </Press>
          ))}
        </PressRow>
      </div>
    </>
  )
}
