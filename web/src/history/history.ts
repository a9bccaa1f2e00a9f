/** A stretch of a text in the place of another; turned round, the way back. */
type Splice = { at: number; out: string; put: string }

/** What differed, and where one was before and after. */
type Step<Where> = { splice: Splice; from: Where; to: Where }

/** How a document stood, and where one was in it. */
export type Stood<T, Where> = { document: T; where: Where }

/** The same text for the same document, whoever has put it together. */
const textOf = (document: unknown) =>
  JSON.stringify(document, (_, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )

/** What differs between two texts, from the first letter that does to the last. */
function spliceBetween(before: string, after: string): Splice {
  const most = Math.min(before.length, after.length)
  let at = 0
  while (at < most && before[at] === after[at]) at++
  let same = 0
  while (same < most - at && before[before.length - 1 - same] === after[after.length - 1 - same]) same++
  return { at, out: before.slice(at, before.length - same), put: after.slice(at, after.length - same) }
}

const turned = ({ at, out, put }: Splice): Splice => ({ at, out: put, put: out })

const MOST = 1000

/**
 * The steps that led a document to where it is, to be taken back and made again. A step is what differed, not the whole
 * document. Where the document has become another meanwhile, by another window, steps that do not fit it any more are
 * forgotten.
 * @typeParam Where What is no part of the document and comes back with it, such as a caret.
 */
export class History<T, Where = undefined> {
  private past: readonly Step<Where>[] = []
  private future: readonly Step<Where>[] = []

  get canUndo() {
    return this.past.length > 0
  }

  get canRedo() {
    return this.future.length > 0
  }

  /** A step was made; what was taken back before it cannot be made again. */
  made(before: Stood<T, Where>, after: Stood<T, Where>): void {
    const splice = spliceBetween(textOf(before.document), textOf(after.document))
    if (splice.out === splice.put) return
    this.past = [...this.past.slice(1 - MOST), { splice, from: before.where, to: after.where }]
    this.future = []
  }

  /** How it stood before the last step, or null where there is none. {@link undone} says that it stands so again. */
  before(now: T): Stood<T, Where> | null {
    const step = this.past.at(-1)
    const document = step ? this.with(now, turned(step.splice)) : null
    if (document === null) this.past = []
    return step && document !== null ? { document, where: step.from } : null
  }

  undone(): void {
    const step = this.past.at(-1)
    if (!step) return
    this.past = this.past.slice(0, -1)
    this.future = [...this.future, step]
  }

  /** How it stood after the step that was taken back last, or null where there is none. */
  after(now: T): Stood<T, Where> | null {
    const step = this.future.at(-1)
    const document = step ? this.with(now, step.splice) : null
    if (document === null) this.future = []
    return step && document !== null ? { document, where: step.to } : null
  }

  redone(): void {
    const step = this.future.at(-1)
    if (!step) return
    this.future = this.future.slice(0, -1)
    this.past = [...this.past, step]
  }

  /** Another that goes on from here by itself. */
  copy(): History<T, Where> {
    const copy = new History<T, Where>()
    ;[copy.past, copy.future] = [this.past, this.future]
    return copy
  }

  private with(now: T, { at, out, put }: Splice): T | null {
    const text = textOf(now)
    if (!text.startsWith(out, at)) return null
    return readAgain(text.slice(0, at) + put + text.slice(at + out.length)) as T | null
  }
}

function readAgain(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null // what lies there by chance begins alike, and is another document
  }
}

/** A document in which one is nowhere in particular. */
export const alone = <T>(document: T): Stood<T, undefined> => ({ document, where: undefined })
