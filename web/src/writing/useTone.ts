import { useCallback, useEffect, useRef } from 'react'
import { Synth } from '../hear/synth'

const VOLUME = 0.6
const SECONDS = 0.5

/** Sounds a note as it is placed. */
export function useTone() {
  const synth = useRef<Synth>(null)
  useEffect(
    () => () => {
      synth.current?.close()
      synth.current = null
    },
    [],
  )
  return useCallback((midi: number | undefined) => {
    if (midi === undefined) return
    synth.current ??= new Synth(VOLUME)
    void synth.current.context.resume()
    synth.current.silence()
    synth.current.note(midi, synth.current.now + 0.01, SECONDS, 'plucked')
  }, [])
}
