/**
 * One entry of the engraver's time map: what begins and ends at a moment, in quarters from the start, its own repeats
 * played out.
 */
export type TimeEntry = { qstamp: number; on?: string[]; off?: string[]; measureOn?: string }

/**
 * Asks for the pages of a score, or with no options for its time map. What lies on one desk does not wait for the
 * other.
 */
export type EngraveRequest = {
  ticket: number
  desk: 'tune' | 'small'
  xml: string
  options?: Record<string, unknown> | undefined
  /**
   * Further small scores, each with options of its own, to be engraved in one go; the first of all is the one above.
   */
  more?: readonly Piece[] | undefined
  /** After the pages, when its notes sound is told too: it is known by then and asked for before long. */
  timed?: boolean | undefined
}

/** A small score of one page, with what it is engraved for. */
export type Piece = { xml: string; options: Record<string, unknown> }

export type EngraveAnswer = { ticket: number } & (
  | { page: number; of: number; svg: string }
  | { times: TimeEntry[] }
  | { pieces: string[] }
  | { begun: true }
  | { cancelled: true }
  | { error: string }
)

/** What of a Worker is used. */
export type EngraverWorker = {
  postMessage: (message: EngraveRequest | { cancel: number }) => void
  terminate: () => void
  onmessage: ((event: MessageEvent<EngraveAnswer>) => void) | null
  onerror: ((event: ErrorEvent) => void) | null
}

type Job = { request: EngraveRequest; onAnswer: (answer: EngraveAnswer) => void; onError: (problem: Error) => void }

/** So many tunes are heard by turns. */
const MOST_TIMES = 8

/** A worker that is deep in a long score hears nothing; after so long a new one takes its place. */
const PATIENCE_MS = 700

/** The engraver in its worker. Requests can be taken back, and a worker that breaks down is replaced. */
export class Engraver {
  private worker: EngraverWorker | null = null
  private readonly jobs = new Map<number, Job>()
  /** What the worker is at: one score a desk. */
  private readonly begun = new Set<number>()
  private readonly unheard = new Map<number, ReturnType<typeof setTimeout>>()
  private tickets = 0
  /** When the notes of a music sound, by its MusicXML, the last used last. */
  private readonly known = new Map<string, TimeEntry[]>()
  /** Which music is being engraved with its times, by ticket. */
  private readonly timed = new Map<number, string>()

  constructor(private readonly hire: () => EngraverWorker) {}

  /**
   * Engraves a score; each page is handed over when it is ready. Aborting rejects with the signal’s reason.
   * @param soundsAs The music that it shows, with signs of ours in it, so that it is heard at once when that is wished.
   */
  pages(
    xml: string,
    options: Record<string, unknown>,
    {
      desk,
      onPage,
      signal,
      soundsAs,
    }: {
      desk: EngraveRequest['desk']
      onPage: (page: number, svg: string, of: number) => void
      signal?: AbortSignal
      soundsAs?: string | undefined
    },
  ): Promise<void> {
    const timed = soundsAs !== undefined && !this.known.has(soundsAs)
    if (timed) this.timed.set(this.tickets + 1, soundsAs)
    return this.ask({ desk, xml, options, ...(timed && { timed }) }, signal, (answer, done) => {
      if (!('svg' in answer)) return
      onPage(answer.page, answer.svg, answer.of)
      if (answer.page === answer.of - 1) done()
    })
  }

  /** Engraves small scores of one page each, all in one go. */
  pieces([first, ...more]: readonly Piece[], signal?: AbortSignal): Promise<string[]> {
    if (!first) return Promise.resolve([])
    return this.ask(
      { desk: 'small', ...first, more },
      signal,
      (answer, done) => 'pieces' in answer && done(answer.pieces),
    )
  }

  /** When each note sounds, in quarters, with the repeats played out. */
  async times(xml: string, signal?: AbortSignal): Promise<TimeEntry[]> {
    const times =
      this.known.get(xml) ??
      (await this.ask<TimeEntry[]>(
        { desk: 'small', xml },
        signal,
        (answer, done) => 'times' in answer && done(answer.times),
      ))
    this.know(xml, times)
    return times
  }

  private know(xml: string, times: TimeEntry[]) {
    this.known.delete(xml)
    this.known.set(xml, times)
    const [oldest] = this.known.keys()
    if (oldest !== undefined && this.known.size > MOST_TIMES) this.known.delete(oldest)
  }

  private ask<T>(
    asked: Omit<EngraveRequest, 'ticket'>,
    signal: AbortSignal | undefined,
    take: (answer: EngraveAnswer, done: (result: T) => void) => void,
  ): Promise<T> {
    return new Promise<T>((done, refuse) => {
      if (signal?.aborted) return refuse(signal.reason as Error)
      const ticket = ++this.tickets
      const request = { ...asked, ticket }
      const end = () => {
        this.jobs.delete(ticket)
        this.begun.delete(ticket)
        signal?.removeEventListener('abort', abort)
      }
      const abort = () => {
        this.cancel(ticket)
        end()
        refuse(signal?.reason as Error)
      }
      const onError = (problem: Error) => {
        end()
        refuse(problem)
      }
      const onAnswer = (answer: EngraveAnswer) => {
        if ('error' in answer) {
          onError(new Error(answer.error))
          return
        }
        take(answer, (result) => {
          end()
          done(result)
        })
      }
      signal?.addEventListener('abort', abort)
      this.jobs.set(ticket, { request, onAnswer, onError })
      this.atWork().postMessage(request)
    })
  }

  private atWork(): EngraverWorker {
    if (this.worker) return this.worker
    const worker = this.hire()
    worker.onmessage = ({ data }) => {
      clearTimeout(this.unheard.get(data.ticket))
      this.unheard.delete(data.ticket)
      if ('begun' in data) this.begun.add(data.ticket)
      const music = this.timed.get(data.ticket)
      if (music !== undefined && 'times' in data) this.know(music, data.times)
      if ('times' in data || 'cancelled' in data || 'error' in data) this.timed.delete(data.ticket)
      this.jobs.get(data.ticket)?.onAnswer(data)
    }
    worker.onerror = (event) => {
      this.dismiss()
      // The browser says nothing where it did not get the worker’s script, and elsewhere that nobody caught it.
      const why = (event.message as string | undefined)?.replace(/^Uncaught (\w*Error: )?/, '')
      const problem = new Error(
        `The engraver, a part of Coppia, broke down${why ? ` (${why})` : ''}. Your tune is kept.`,
      )
      for (const job of [...this.jobs.values()]) job.onError(problem)
    }
    this.worker = worker
    return worker
  }

  private cancel(ticket: number) {
    if (!this.worker) return
    this.worker.postMessage({ cancel: ticket })
    if (!this.begun.has(ticket)) return
    this.unheard.set(
      ticket,
      setTimeout(() => {
        this.dismiss()
        // What others have asked for goes to the next one.
        for (const { request } of this.jobs.values()) this.atWork().postMessage(request)
      }, PATIENCE_MS),
    )
  }

  private dismiss() {
    this.worker?.terminate()
    this.worker = null
    this.begun.clear()
    this.timed.clear()
    for (const timer of this.unheard.values()) clearTimeout(timer)
    this.unheard.clear()
  }
}

export const engraver = new Engraver(
  () => new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' }),
)

/** A bar to warm up on: the engraver’s first score takes it many times as long as the next. */
const FIRST_BAR = `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1">
<measure number="1"><attributes><divisions>1</divisions><key><fifths>2</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>
<clef><sign>G</sign><line>2</line></clef></attributes>${['D', 'E', 'F', 'G']
  .map(
    (step) =>
      `<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>1</duration><type>quarter</type><lyric><text>|</text></lyric></note>`,
  )
  .join('')}</measure></part></score-partwise>`

/** Loads the engraver ahead of need, so that the first tune is on paper at once. */
export const warmEngraver = () =>
  engraver.pages(
    FIRST_BAR,
    { breaks: 'auto', footer: 'none', header: 'none' },
    { desk: 'tune', onPage: () => undefined },
  )
