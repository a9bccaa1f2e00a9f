import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { Engraver, type EngraveAnswer, type EngraveRequest, type EngraverWorker } from './engraver'

/** A worker that notes what it is asked and answers when told to. */
class Bench implements EngraverWorker {
  readonly asked: EngraveRequest[] = []
  readonly cancelled: number[] = []
  gone = false
  onmessage: EngraverWorker['onmessage'] = null
  onerror: EngraverWorker['onerror'] = null
  postMessage(message: EngraveRequest | { cancel: number }) {
    if ('cancel' in message) this.cancelled.push(message.cancel)
    else this.asked.push(message)
  }
  terminate() {
    this.gone = true
  }
  answer(answer: EngraveAnswer) {
    this.onmessage?.({ data: answer } as MessageEvent<EngraveAnswer>)
  }
}

function workshop() {
  const benches: Bench[] = []
  const engraver = new Engraver(() => {
    const bench = new Bench()
    benches.push(bench)
    return bench
  })
  const engrave = (xml: string, signal?: AbortSignal, desk: EngraveRequest['desk'] = 'tune') => {
    const pages: string[] = []
    const done = engraver.pages(
      xml,
      {},
      { desk, onPage: (page, svg) => (pages[page] = svg), ...(signal && { signal }) },
    )
    done.catch(() => undefined)
    return { pages, done }
  }
  return { benches, engraver, engrave }
}

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

test('pages are handed over as they come, and all of them end the work', async () => {
  const { benches, engrave } = workshop()
  const { pages, done } = engrave('tune')
  const ticket = benches[0]?.asked[0]?.ticket ?? 0
  benches[0]?.answer({ ticket, page: 0, of: 2, svg: 'first' })
  expect(pages).toEqual(['first'])
  benches[0]?.answer({ ticket, page: 1, of: 2, svg: 'second' })
  await done
  expect(pages).toEqual(['first', 'second'])
})

test('what the engraver cannot set is told in its words', async () => {
  const { benches, engrave } = workshop()
  const { done } = engrave('no music')
  benches[0]?.answer({ ticket: benches[0].asked[0]?.ticket ?? 0, error: 'The music could not be engraved.' })
  await expect(done).rejects.toThrow('The music could not be engraved.')
})

test('when the worker breaks down all who wait are told, and the next request gets a new one', async () => {
  const { benches, engrave } = workshop()
  const [one, two] = [engrave('one'), engrave('two')]
  benches[0]?.onerror?.({ message: 'out of memory' } as ErrorEvent)
  await expect(one.done).rejects.toThrow('out of memory')
  await expect(two.done).rejects.toThrow('out of memory')
  expect(benches[0]?.gone).toBe(true)
  engrave('three')
  expect(benches[1]?.asked.map((a) => a.xml)).toEqual(['three'])
})

test.each([
  ['Uncaught Error: it could not be loaded', 'broke down (it could not be loaded). Your tune is kept.'],
  [undefined, 'broke down. Your tune is kept.'],
])('a breakdown that the browser calls “%s” is told plainly', async (message, told) => {
  const { benches, engrave } = workshop()
  const { done } = engrave('one')
  benches[0]?.onerror?.({ message } as ErrorEvent)
  await expect(done).rejects.toThrow(told)
})

test('a request that is taken back before its turn costs the worker nothing', async () => {
  const { benches, engrave } = workshop()
  const stop = new AbortController()
  engrave('long')
  const { done } = engrave('unwanted', stop.signal)
  benches[0]?.answer({ ticket: benches[0].asked[0]?.ticket ?? 0, begun: true })
  stop.abort()
  await expect(done).rejects.toThrow()
  expect(benches[0]?.cancelled).toEqual([benches[0]?.asked[1]?.ticket])
  vi.advanceTimersByTime(60_000)
  expect(benches[0]?.gone).toBe(false)
})

test('a worker that is deep in an unwanted score is replaced, and the others’ requests go to the next', async () => {
  const { benches, engrave } = workshop()
  const stop = new AbortController()
  const long = engrave('20,000 notes', stop.signal)
  const other = engrave('one note', undefined, 'small')
  const tickets = benches[0]?.asked.map((a) => a.ticket) ?? []
  benches[0]?.answer({ ticket: tickets[0] ?? 0, begun: true })
  stop.abort()
  await expect(long.done).rejects.toThrow()
  vi.advanceTimersByTime(5000)
  expect(benches[0]?.gone).toBe(true)
  expect(benches[1]?.asked.map((a) => a.xml)).toEqual(['one note'])
  benches[1]?.answer({ ticket: tickets[1] ?? 0, page: 0, of: 1, svg: 'note' })
  await other.done
  expect(other.pages).toEqual(['note'])
})

test('a worker that hears the taking back stays', () => {
  const { benches, engrave } = workshop()
  const stop = new AbortController()
  engrave('tune', stop.signal)
  const ticket = benches[0]?.asked[0]?.ticket ?? 0
  benches[0]?.answer({ ticket, begun: true })
  stop.abort()
  benches[0]?.answer({ ticket, cancelled: true })
  vi.advanceTimersByTime(60_000)
  expect(benches[0]?.gone).toBe(false)
})

test('when the notes of a tune sound is known with its picture, and not asked for again', async () => {
  const { benches, engraver } = workshop()
  const times = [{ qstamp: 0, on: ['n1'] }]
  const drawn = engraver.pages('with signs', {}, { desk: 'tune', onPage: () => undefined, soundsAs: 'plain' })
  const [asked] = benches[0]?.asked ?? []
  expect(asked?.timed).toBe(true)
  const ticket = asked?.ticket ?? 0
  benches[0]?.answer({ ticket, page: 0, of: 1, svg: 'first' })
  await drawn
  benches[0]?.answer({ ticket, times })
  await expect(engraver.times('plain')).resolves.toBe(times)
  expect(benches[0]?.asked).toHaveLength(1)
  void engraver.pages('with other signs', {}, { desk: 'tune', onPage: () => undefined, soundsAs: 'plain' })
  expect(benches[0]?.asked[1]?.timed).toBeUndefined()
})

test('a tune that is not drawn is asked for once', async () => {
  const { benches, engraver } = workshop()
  const times = [{ qstamp: 0, on: ['n1'] }]
  const first = engraver.times('plain')
  benches[0]?.answer({ ticket: benches[0].asked[0]?.ticket ?? 0, times })
  await expect(first).resolves.toBe(times)
  await expect(engraver.times('plain')).resolves.toBe(times)
  expect(benches[0]?.asked).toHaveLength(1)
})
