import { useEffect, useRef, useState } from 'react'
import { useStable } from '../ui/useStable'
import { FRAME, listenTo, middle, type Heard } from './pitch'
import { simulated, type SimulatedKind } from './simulated'

/** Who is listened to: the microphone, or the player that ships with the program. */
export type Source = 'microphone' | SimulatedKind

const OFTEN_MS = 120
/** So many tones in a row are taken together. */
const TOGETHER = 5
const SIMULATED_RATE = 48_000

/**
 * Listens while it is asked to. What is heard is judged here and goes nowhere.
 * @param asked The strings’ MIDI key numbers, the one that is asked for, and the pitch of A4.
 */
export function useListening(source: Source, asked: { strings: readonly number[]; string: number; a4: number }) {
  const [on, setOn] = useState(false)
  const [heard, setHeard] = useState<Heard | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const tones = useRef<number[]>([])
  const take = useStable((frame: Float32Array, sampleRate: number) => {
    const now = listenTo(frame, sampleRate)
    if (now.kind !== 'tone') tones.current = []
    else tones.current = [...tones.current.slice(1 - TOGETHER), now.hz]
    setHeard(now.kind === 'tone' ? { kind: 'tone', hz: middle(tones.current) } : now)
  })
  const play = useStable((kind: SimulatedKind, seed: number) =>
    take(
      simulated(kind, asked.strings, asked.string, { a4: asked.a4, sampleRate: SIMULATED_RATE, samples: FRAME, seed }),
      SIMULATED_RATE,
    ),
  )
  useEffect(() => {
    if (!on) return
    tones.current = []
    if (source !== 'microphone') {
      let seed = 1
      const timer = setInterval(() => play(source, seed++), OFTEN_MS)
      return () => clearInterval(timer)
    }
    let ended = false
    let end = () => {}
    const listen = async () => {
      // Nothing that would bend the tone: the voice's helpers are off.
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      })
      const context = new AudioContext()
      const ear = context.createAnalyser()
      ear.fftSize = FRAME
      // Not on to the loudspeakers.
      context.createMediaStreamSource(stream).connect(ear)
      const frame = new Float32Array(FRAME)
      const timer = setInterval(() => {
        ear.getFloatTimeDomainData(frame)
        take(frame, context.sampleRate)
      }, OFTEN_MS)
      end = () => {
        clearInterval(timer)
        for (const track of stream.getTracks()) track.stop()
        void context.close()
      }
      if (ended) end()
    }
    listen().catch(() => {
      setOn(false)
      setProblem('The microphone is not open to this page. Allow it in the browser, or try the player below.')
    })
    return () => {
      ended = true
      end()
    }
  }, [on, source, take, play])
  return {
    on,
    heard: on ? heard : null,
    problem,
    toggle: () => {
      setProblem(null)
      setHeard(null)
      setOn(!on)
    },
  }
}
