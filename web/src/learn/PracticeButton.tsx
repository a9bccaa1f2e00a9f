import { useEffect, useState } from 'react'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { useKept } from '../offline/kept'
import { SideNote } from '../ui/Said'
import { TextButton } from '../ui/TextLink'

const MINUTE_MS = 60_000
/** After so long without a break one is told to take one; common practice. */
const LONG_MINUTES = 20
/** A clock that was forgotten overnight counts no more than that. */
const MOST_MINUTES = 180

/** Starts and stops the minutes; they run on when the phone sleeps. Or minutes by hand. */
export function PracticeButton({ link, onMinutes }: { link: string; onMinutes: (minutes: number) => void }) {
  const [since, keepSince] = useKept<number>(`learn.${link}.since`)
  const [now, setNow] = useState(Date.now)
  const [byHand, setByHand] = useState(false)
  useEffect(() => {
    if (since === null) return
    const tick = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(tick)
  }, [since])
  const passed = since === null ? 0 : Math.max(0, now - since)
  const stop = () => {
    if (since === null) return
    const minutes = Math.min(MOST_MINUTES, Math.round((Date.now() - since) / MINUTE_MS))
    keepSince(null)
    if (minutes > 0) onMinutes(minutes)
  }
  return (
    <section aria-label="Practise">
      <button
        type="button"
        onClick={() => {
          if (since === null) {
            setNow(Date.now())
            keepSince(Date.now())
          } else stop()
        }}
        className={`flex min-h-24 w-full flex-col items-center justify-center rounded-xl text-2xl font-bold ${since === null ? 'bg-spruce text-paper' : 'bg-maple-pale text-ink'}`}
      >
        {since === null ? (
          'Start practising'
        ) : (
          <>
            Stop
            <span className="text-base font-normal tabular-nums" role="timer">
              {clock(passed)}
            </span>
          </>
        )}
      </button>
      {passed > LONG_MINUTES * MINUTE_MS && (
        <div className="mt-2">
          <SideNote>
            Time for a break: put the instrument down and shake out your hands. If something hurts, stop.
          </SideNote>
        </div>
      )}
      {since === null &&
        (byHand ? (
          <ByHand
            onMinutes={(minutes) => {
              setByHand(false)
              onMinutes(minutes)
            }}
            onClose={() => setByHand(false)}
          />
        ) : (
          <TextButton onClick={() => setByHand(true)}>I practised without the phone</TextButton>
        ))}
    </section>
  )
}

function ByHand({ onMinutes, onClose }: { onMinutes: (minutes: number) => void; onClose: () => void }) {
  const [minutes, setMinutes] = useState('10')
  const count = Number(minutes)
  return (
    <form
      className="mt-2 flex items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        onMinutes(Math.min(MOST_MINUTES, Math.round(count)))
      }}
    >
      <Field label="Minutes">
        <Input
          type="number"
          min={1}
          max={MOST_MINUTES}
          width="w-24"
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
        />
      </Field>
      <Button type="submit" kind="go" disabled={!(count >= 1)}>
        Add
      </Button>
      <Button onClick={onClose}>Cancel</Button>
    </form>
  )
}

const clock = (ms: number) => {
  const seconds = Math.floor(ms / 1000)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
