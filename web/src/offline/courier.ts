import type { Outbox, Waiting } from './outbox'
import { hasFailed, isAway } from './problems'

/** What came of a batch that was taken in. */
export type Sent = {
  /** Those that were not taken, each with why. */
  refused?: ReadonlyMap<Waiting, string>
  /** What was put in the place of one while it was on its way goes on from here. */
  rest?: (value: unknown) => unknown
}

/** Brings what waits of some kinds to the teacher. */
export type Sender = {
  kinds: readonly string[]
  /** So many at most in one go. */
  most: number
  /** @throws Refusal Nothing of it was taken. */
  send: (batch: readonly Waiting[]) => Promise<Sent>
}

/** Does a piece of work when no other window does the like for the same learner. */
export type InTurn = <T>(owner: string, work: () => Promise<T>) => Promise<T>

export type Way = 'idle' | 'sending' | 'away'

/** After so long what could not be sent is tried again; each time after a longer while, up to the longest. */
const AGAIN_MS = 20_000
const LONGEST_MS = 5 * 60_000

/** A network that hangs is as good as none: what is asked with this signal then fails. */
export const soon = () => AbortSignal.timeout(AGAIN_MS)

/** Sends what waits of one learner, one batch after the other, now and whenever the network comes back. */
export class Courier {
  way: Way = 'idle'
  private round: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | undefined
  private pause = AGAIN_MS
  private readonly listeners = new Set<() => void>()

  constructor(
    private readonly outbox: Outbox,
    private readonly owner: string,
    private readonly senders: readonly Sender[],
    private readonly inTurn: InTurn = oneWindow,
  ) {}

  /** Is at work until it is ended. */
  start(): () => void {
    const now = () => void this.sendNow()
    const whenSeen = () => document.visibilityState === 'visible' && now()
    const stop = this.outbox.listen(() => this.some().length > 0 && this.way !== 'away' && now())
    window.addEventListener('online', now)
    document.addEventListener('visibilitychange', whenSeen)
    void this.outbox.ready.then(now)
    return () => {
      stop()
      clearTimeout(this.timer)
      window.removeEventListener('online', now)
      document.removeEventListener('visibilitychange', whenSeen)
    }
  }

  listen(tell: () => void): () => void {
    this.listeners.add(tell)
    return () => void this.listeners.delete(tell)
  }

  /** Sends all that can be sent; what is put meanwhile too. */
  sendNow(): Promise<void> {
    this.round ??= this.send().finally(() => (this.round = null))
    return this.round
  }

  private some = () => this.outbox.of(this.owner).filter((w) => w.refused === null)

  private async send() {
    clearTimeout(this.timer)
    const passedOver = new Set<string>()
    const isReached = await this.inTurn(this.owner, async () => {
      await this.outbox.readAgain()
      for (let batch = this.next(passedOver); batch; batch = this.next(passedOver)) {
        this.tell('sending')
        if (!(await this.sendBatch(batch.sender, batch.of, passedOver))) return false
      }
      return true
    })
    if (isReached && passedOver.size === 0) {
      this.pause = AGAIN_MS
      this.tell('idle')
      return
    }
    this.tell('away')
    this.timer = setTimeout(() => void this.sendNow(), this.pause)
    this.pause = Math.min(2 * this.pause, LONGEST_MS)
  }

  private next(passedOver: ReadonlySet<string>) {
    const waiting = this.some().filter((w) => !passedOver.has(w.mark))
    for (const sender of this.senders) {
      const of = waiting.filter((w) => sender.kinds.includes(w.kind)).slice(0, sender.most)
      if (of.length > 0) return { sender, of }
    }
    return null
  }

  /** A batch that is refused as a whole is halved until what is wrong stands alone. */
  private async sendBatch(sender: Sender, batch: readonly Waiting[], passedOver: Set<string>): Promise<boolean> {
    const [first] = batch
    if (!first) return true
    try {
      const { refused, rest } = await sender.send(batch)
      for (const sent of batch) {
        const why = refused?.get(sent)
        if (why === undefined) this.outbox.taken(sent, rest)
        else this.outbox.refuse(sent, why)
      }
      return true
    } catch (problem) {
      if (isAway(problem)) return false
      if (batch.length > 1) {
        const half = Math.ceil(batch.length / 2)
        return (
          (await this.sendBatch(sender, batch.slice(0, half), passedOver)) &&
          (await this.sendBatch(sender, batch.slice(half), passedOver))
        )
      }
      if (hasFailed(problem)) passedOver.add(first.mark)
      else this.outbox.refuse(first, problem instanceof Error ? problem.message : String(problem))
      return true
    }
  }

  private tell(way: Way) {
    if (this.way === way) return
    this.way = way
    for (const tell of this.listeners) tell()
  }
}

/**
 * One window at a time, where the browser can hold the others (W3C Web Locks: on a secure page). Elsewhere two may send
 * the same, which counts once.
 */
const oneWindow: InTurn = (owner, work) =>
  'locks' in navigator ? navigator.locks.request(`coppia.send.${owner}`, work) : work()
