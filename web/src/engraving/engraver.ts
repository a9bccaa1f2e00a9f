import { useEffect, useState } from 'react'
import type { EngraveAnswer, EngraveRequest } from './engraver.worker'

let worker: Worker | null = null
let tickets = 0
const waiting = new Map<number, (answer: EngraveAnswer) => void>()

function engraver(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = (event: MessageEvent<EngraveAnswer>) => {
      waiting.get(event.data.ticket)?.(event.data)
      waiting.delete(event.data.ticket)
    }
  }
  return worker
}

function engrave(xml: string, options?: Record<string, unknown>): Promise<EngraveAnswer> {
  const ticket = ++tickets
  return new Promise((done) => {
    waiting.set(ticket, done)
    engraver().postMessage({ ticket, xml, options } satisfies EngraveRequest)
  })
}

/** When each note sounds, in quarters, with the repeats played out. */
export async function timeMap(xml: string) {
  const { times, error } = await engrave(xml)
  if (!times) throw new Error(error ?? 'The music could not be timed.')
  return times
}

export type Engraving = { pages: string[]; error: string | null; working: boolean }

/** Engraves MusicXML in the background; the last picture stays until the next is ready. */
export function useEngraving(xml: string | undefined, options: Record<string, unknown> | null): Engraving {
  const [state, setState] = useState<{ of: string; pages: string[]; error: string | null }>({
    of: '',
    pages: [],
    error: null,
  })
  const wanted = xml && options ? JSON.stringify(options) + xml : ''
  useEffect(() => {
    if (!xml || !wanted) return
    let current = true
    const settings = JSON.parse(wanted.slice(0, wanted.length - xml.length)) as Record<string, unknown>
    engrave(xml, settings).then((answer) => {
      if (current) setState({ of: wanted, pages: answer.pages ?? [], error: answer.error ?? null })
    })
    return () => {
      current = false
    }
  }, [wanted, xml])
  return { pages: state.pages, error: state.error, working: state.of !== wanted }
}
