import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** What was said or written on this device and is not with the teacher yet. */
export type Waiting = {
  /** Whose it is: a learner’s link. */
  owner: string
  /** What it is, and with that who sends it. */
  kind: string
  /** Its name; a second word of the same name takes the place of the first. */
  key: string
  value: unknown
  /** Another one for every word: what was replaced while it was on its way is not what was sent. */
  mark: string
  /** Its place in the order of what happened. */
  order: number
  /** Why it was not taken; null where it is still to be sent. */
  refused: string | null
}

/**
 * What becomes of one that waits, or of none; undefined forgets it. It is asked for what is known here and once more
 * for what lies in the store, where another window may have been quicker.
 */
type Change = (now: Waiting | undefined) => Waiting | undefined

type Id = [owner: string, kind: string, key: string]

interface Shelf extends DBSchema {
  waiting: { key: Id; value: Waiting }
}

/** How windows tell each other that something has changed. */
export type Bell = { ring: () => void; onRing: (hear: () => void) => void }

/** Opens the store of this browser. */
export const openShelf = (name = 'coppia') =>
  openDB<Shelf>(name, 1, {
    upgrade: (shelf) => void shelf.createObjectStore('waiting', { keyPath: ['owner', 'kind', 'key'] }),
  })

/** A browser that does not open its store, and says nothing, is not waited for. */
const PATIENCE_MS = 2000

/** A name that nothing else has, on whatever device; also where a page is not secure (there is no randomUUID). */
export const newMark = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(8)), (b) => b.toString(16).padStart(2, '0')).join('')

const idOf = (of: { owner: string; kind: string; key: string }): Id => [of.owner, of.kind, of.key]
const textOf = (id: Id) => JSON.stringify(id)

/**
 * What waits on this device, of all learners who use it. It is known here at once and lies in the browser’s store, each
 * thing for itself, so that no window overwrites what another has reported. Where there is no store it is kept as long
 * as the window is open.
 */
export class Outbox {
  private kept = new Map<string, Waiting>()
  /** What was changed here and is not in the store yet, in its order. */
  private unwritten: { id: Id; change: Change }[] = []
  private readonly listeners = new Set<() => void>()
  private readonly seen = new Map<string, readonly Waiting[]>()
  private readonly shelf: Promise<IDBPDatabase<Shelf> | null>
  private last = 0
  private writing: Promise<unknown> = Promise.resolve()

  /** Resolves when all that lies in the store is known here. */
  readonly ready: Promise<void>

  constructor(
    private readonly bell: Bell,
    shelf: () => Promise<IDBPDatabase<Shelf>> = openShelf,
  ) {
    this.shelf = Promise.race([
      Promise.resolve()
        .then(shelf)
        .catch(() => null),
      new Promise<null>((done) => setTimeout(() => done(null), PATIENCE_MS)),
    ])
    this.ready = this.readAgain()
    bell.onRing(() => void this.readAgain())
  }

  /** What waits of one learner, in the order in which it happened; the same list until something changes. */
  of(owner: string): readonly Waiting[] {
    const known = this.seen.get(owner)
    if (known) return known
    const all = [...this.kept.values()].filter((w) => w.owner === owner).sort((a, b) => a.order - b.order)
    this.seen.set(owner, all)
    return all
  }

  /** Adds a word, or puts it in the place of an earlier one of its name. */
  put<T>(owner: string, kind: string, key: string, value: (now: T | undefined) => T): void {
    const [mark, order] = [newMark(), this.next()]
    this.change([owner, kind, key], (now) => ({
      owner,
      kind,
      key,
      value: value(now?.value as T | undefined),
      mark,
      order,
      refused: null,
    }))
  }

  /**
   * Forgets what was taken. What was put in its place meanwhile stays.
   * @param rest What that goes on from now.
   */
  taken(sent: Waiting, rest: (value: unknown) => unknown = (value) => value): void {
    this.change(idOf(sent), (now) =>
      now === undefined || now.mark === sent.mark ? undefined : { ...now, value: rest(now.value) },
    )
  }

  /** It stays, and is not sent again by itself. */
  refuse(sent: Waiting, why: string): void {
    this.change(idOf(sent), (now) => (now?.mark === sent.mark ? { ...now, refused: why } : now))
  }

  /** What was refused is to be sent once more. */
  again(refused: Waiting): void {
    this.change(idOf(refused), (now) => now && { ...now, refused: null })
  }

  forget(waiting: Waiting): void {
    this.change(idOf(waiting), () => undefined)
  }

  listen(tell: () => void): () => void {
    this.listeners.add(tell)
    return () => void this.listeners.delete(tell)
  }

  /** Resolves when all that was changed here so far is in the store, as far as that has room. */
  written = (): Promise<unknown> => this.writing

  /** Later than all before, whatever the device’s clock does. */
  private next() {
    this.last = Math.max(this.last + 1, Date.now())
    return this.last
  }

  private change(id: Id, change: Change) {
    const one = { id, change }
    this.unwritten.push(one)
    this.apply(this.kept, one)
    this.told()
    this.writing = Promise.all([this.writing, this.write(one)])
  }

  private apply(all: Map<string, Waiting>, { id, change }: { id: Id; change: Change }) {
    const name = textOf(id)
    const next = change(all.get(name))
    if (next) all.set(name, next)
    else all.delete(name)
  }

  private async write(one: { id: Id; change: Change }) {
    const shelf = await this.shelf
    if (!shelf) return
    try {
      const step = shelf.transaction('waiting', 'readwrite')
      const now = await step.store.get(one.id)
      const next = one.change(now)
      if (next) void step.store.put(next)
      else if (now) void step.store.delete(one.id)
      step.commit()
      await step.done
    } catch {
      return // no room: this window has it
    }
    this.unwritten = this.unwritten.filter((u) => u !== one)
    this.bell.ring()
  }

  /** Learns what other windows have put and sent. */
  async readAgain(): Promise<void> {
    const shelf = await this.shelf
    if (!shelf) return
    let all: Waiting[]
    try {
      all = await shelf.getAll('waiting')
    } catch {
      return // what this window knows stays
    }
    const kept = new Map(all.map((w) => [textOf(idOf(w)), w]))
    for (const one of this.unwritten) this.apply(kept, one)
    this.kept = kept
    this.told()
  }

  private told() {
    this.seen.clear()
    for (const tell of this.listeners) tell()
  }
}

/** Rings in all other windows of this browser, and where a page wakes that slept through it. */
function windowsBell(): Bell {
  const channel = new BroadcastChannel('coppia.waiting')
  return {
    ring: () => channel.postMessage(null),
    onRing: (hear) => {
      channel.onmessage = hear
      window.addEventListener('pageshow', (event) => event.persisted && hear())
    },
  }
}

let outbox: Outbox | null = null
/** What waits on this device. */
export const theOutbox = () => (outbox ??= new Outbox(windowsBell()))
