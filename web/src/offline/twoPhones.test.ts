import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import { Refusal } from '../api/client'
import { Courier, type InTurn } from './courier'
import { Outbox, openShelf, type Waiting } from './outbox'

const ORDERS = 1000
const STEPS = 25
/** They mostly wait. */
const AT_ONCE = 50
const WHO = 'ada'

/** Numbers from 0 up to 1 that a seed decides (mulberry32, public domain). */
function chances(seed: number) {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** What a teacher has in the end: each thing once by its name, and of two words about one thing the later. */
class Teacher {
  readonly minutes = new Map<string, number>()
  readonly done = new Map<string, boolean>()
}

/** A phone with two windows, which hear each other late, and one of which may be loaded anew at any moment. */
class Phone {
  readonly windows: { outbox: Outbox; courier: Courier; ears: (() => void)[] }[] = []
  isReached = true
  /** The next answer is lost on its way back. */
  losesAnswer = false
  private turn: Promise<unknown> = Promise.resolve()

  constructor(
    readonly name: string,
    private readonly teacher: Teacher,
    private readonly random: () => number,
  ) {
    this.windows.push(this.open(), this.open())
  }

  load(n: number) {
    this.windows[n] = this.open()
  }

  private open() {
    const ears: (() => void)[] = []
    const ring = () => {
      const late = Math.floor(this.random() * 3)
      for (const other of this.windows)
        if (other.ears !== ears)
          for (const hear of other.ears)
            if (late === 0) hear()
            else setTimeout(hear, late)
    }
    const outbox = new Outbox({ ring, onRing: (hear) => ears.push(hear) }, () => openShelf(this.name))
    const inTurn: InTurn = <T>(_: string, work: () => Promise<T>) => {
      const mine = this.turn.then(work)
      this.turn = mine.catch(() => undefined)
      return mine
    }
    const courier = new Courier(
      outbox,
      WHO,
      [{ kinds: ['minutes', 'done'], most: 1 + Math.floor(this.random() * 4), send: (batch) => this.send(batch) }],
      inTurn,
    )
    return { outbox, courier, ears }
  }

  private async send(batch: readonly Waiting[]) {
    await new Promise((arrived) => setTimeout(arrived, Math.floor(this.random() * 4)))
    if (!this.isReached) throw new Refusal('no answer', 0)
    if (batch.some((w) => w.key.endsWith('torn'))) throw new Refusal('It is torn.', 422)
    const late = batch.filter((w) => w.key.endsWith('late'))
    for (const { kind, key, value } of batch) {
      if (late.some((w) => w.key === key)) continue
      if (kind === 'minutes') this.teacher.minutes.set(key, value as number)
      else this.teacher.done.set(key, value as boolean)
    }
    if (this.losesAnswer) {
      this.losesAnswer = false
      throw new Refusal('no answer', 0)
    }
    return { refused: new Map(late.map((w) => [w, 'It is late.'])) }
  }
}

const inOrder = (all: Iterable<[string, unknown]>) => [...all].toSorted(([a], [b]) => a.localeCompare(b))

/** Lets all that is under way come to its end. */
const quiet = () => new Promise((done) => setTimeout(done, 8))

async function order(seed: number) {
  const random = chances(seed)
  const pick = (most: number) => Math.floor(random() * most)
  const teacher = new Teacher()
  const phones = ['a', 'b'].map((name) => new Phone(`${seed} ${name}`, teacher, random))
  const said = new Map<string, unknown>()
  const marked = new Map<string, boolean>()
  const all = () => phones.flatMap((p) => p.windows)
  await Promise.all(all().map((w) => w.outbox.ready))
  for (let step = 0; step < STEPS; step++) {
    const phone = phones[pick(2)] as Phone
    const window = phone.windows[pick(2)] as Phone['windows'][number]
    const what = pick(10)
    if (what < 4) {
      const key = `${phone.name} ${step}${['', '', '', '', ' torn', ' late'][pick(6)]}`
      said.set(key, step)
      window.outbox.put(WHO, 'minutes', key, () => step)
    } else if (what < 6) {
      // Two people do not tick off one thing at once; one person does so in two windows.
      const key = `${phone.name} tune ${pick(2)}`
      const done = pick(2) === 0
      marked.set(key, done)
      window.outbox.put(WHO, 'done', key, () => done)
    } else if (what === 6) {
      const n = pick(2)
      phone.load(n)
      await phone.windows[n]?.outbox.ready
    } else if (what === 7) phone.isReached = !phone.isReached
    else if (what === 8) phone.losesAnswer = true
    else void window.courier.sendNow()
    if (pick(3) === 0) await quiet()
  }
  for (const phone of phones) [phone.isReached, phone.losesAnswer] = [true, false]
  for (const { outbox, courier } of all()) {
    await outbox.written()
    await courier.sendNow()
    await courier.sendNow()
  }
  await quiet()
  const isFit = (key: string) => !/(torn|late)$/.test(key)
  const fit = [...said].filter(([key]) => isFit(key))
  return {
    seed,
    minutes: [inOrder(teacher.minutes), inOrder(fit)],
    done: [inOrder(teacher.done), inOrder(marked)],
    waiting: phones.map((phone) => ({
      windows: phone.windows.map((w) =>
        w.outbox
          .of(WHO)
          .map((left) => `${left.key}: ${left.refused ?? 'waits'}`)
          .toSorted(),
      ),
      expected: [...said.keys()]
        .filter((key) => key.startsWith(phone.name) && !isFit(key))
        .map((key) => `${key}: ${key.endsWith('torn') ? 'It is torn.' : 'It is late.'}`)
        .toSorted(),
    })),
  }
}

test(`of ${ORDERS} orders of reports, loadings, losses and refusals none loses or doubles a thing`, async () => {
  let words = 0
  for (let first = 1; first <= ORDERS; first += AT_ONCE)
    for (const { seed, minutes, done, waiting } of await Promise.all(
      Array.from({ length: AT_ONCE }, (_, n) => order(first + n)),
    )) {
      expect(minutes[0], `minutes of order ${seed}`).toEqual(minutes[1])
      expect(done[0], `what was ticked off in order ${seed}`).toEqual(done[1])
      for (const { windows, expected } of waiting)
        for (const seen of windows) expect(seen, `what waits in order ${seed}`).toEqual(expected)
      words += (minutes[1]?.length ?? 0) + (done[1]?.length ?? 0)
    }
  expect(words).toBeGreaterThan(8 * ORDERS)
}, 120_000)
