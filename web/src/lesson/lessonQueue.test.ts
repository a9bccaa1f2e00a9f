import { expect, test } from 'vitest'
import { Refusal } from '../api/client'
import { lessonQueue } from './lessonQueue'
import type { Lesson, LessonDoc } from './queries'
import { added, leftOut, ownStep, putBack } from './steps'

const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

/**
 * A lesson with steps of the teacher's own, kept by something slow that refuses what does not start from its version.
 */
function slow(ms: () => number = () => 3) {
  const view = (step: LessonDoc['steps'][number]) => ({
    step,
    title: step.words ?? '',
    detail: '',
    seconds: 0,
    time: '',
    starts: 0,
    bars: '',
  })
  const lesson = { version: 1, day: '2026-09-14', minutes: 40, talkSeconds: 15, isTaught: false, steps: [], left: [] }
  const store = {
    kept: lesson as unknown as Lesson,
    inView: lesson as unknown as Lesson,
    waiting: 0,
    told: [] as string[],
    isUnanswered: false,
    isThere: true,
  }
  const keep = async (version: number, change: (kept: Lesson) => Partial<Lesson>) => {
    await later(ms())
    if (!store.isThere) throw new Refusal('Nobody answers.', 0)
    if (version !== store.kept.version) throw new Error('Somebody else was quicker.')
    store.kept = { ...store.kept, ...change(store.kept), version: version + 1 }
    return store.kept
  }
  const queue = lessonQueue({
    now: () => store.inView,
    show: (inView, waiting, isUnanswered) => Object.assign(store, { inView, waiting, isUnanswered }),
    pause: () => later(ms()),
    tell: (why) => store.told.push(why),
    calls: {
      save: (version, doc, isTaught) =>
        keep(version, () => ({ ...doc, steps: doc.steps.map(view), left: doc.left.map(view), isTaught })),
      addTune: (version, tuneId) =>
        keep(version, (kept) => ({ steps: [...kept.steps, view(ownStep(`t${tuneId}`, 'own', 1, `tune ${tuneId}`))] })),
      again: () => Promise.resolve(store.kept),
    },
  })
  const words = (of: Lesson) => of.steps.map((s) => s.title).join(' ')
  return {
    store,
    queue,
    add: (name: string) => queue.edit(added(ownStep(name, 'own', 1, name))),
    kept: () => words(store.kept),
    inView: () => words(store.inView),
  }
}

test('a late answer takes nothing off the screen that was changed meanwhile', async () => {
  const { queue, add, kept, inView, store } = slow()
  const first = add('a')
  const second = add('b')
  expect([inView(), store.waiting]).toEqual(['a b', 2])
  await first
  expect([kept(), inView(), store.waiting]).toEqual(['a', 'a b', 1])
  const third = add('c')
  expect(inView()).toBe('a b c')
  await Promise.all([second, third])
  expect([kept(), inView(), store.waiting]).toEqual(['a b c', 'a b c', 0])
  await queue.undo()
  expect([kept(), inView()]).toEqual(['a b', 'a b'])
})

test('however quick the changes come, and however slow they are kept, none is lost', async () => {
  for (let seed = 1; seed < 6; seed++) {
    const { add, kept, inView, store } = slow(() => Math.random() * 4)
    const names = Array.from({ length: 12 }, (_, i) => `s${i}`)
    const all: Promise<unknown>[] = []
    for (const name of names) {
      all.push(add(name))
      await later(Math.random() * 4)
      expect(inView()).toBe(names.slice(0, all.length).join(' '))
    }
    await Promise.all(all)
    expect([kept(), store.told]).toEqual([names.join(' '), []])
  }
})

test('a tune that is on its way is kept beside a step that came after it, and undone alone', async () => {
  const { queue, add, kept, inView } = slow()
  void add('a')
  void queue.addTune(7)
  await add('b')
  expect([kept(), inView()]).toEqual(['a tune 7 b', 'a tune 7 b'])
  await queue.undo()
  await queue.undo()
  expect(kept()).toBe('a')
})

test('undo takes back what is not kept yet, and says when there is nothing', async () => {
  const { queue, add, kept, inView, store } = slow()
  void add('a')
  void add('b')
  void queue.undo()
  expect(inView()).toBe('a')
  await queue.undo()
  await queue.undo()
  expect([kept(), store.told]).toEqual(['', ['There is nothing to undo in this lesson.']])
})

test('what is left out and put back while it is on its way stands once', async () => {
  const { queue, add, kept, store } = slow()
  void add('a')
  void add('b')
  void queue.edit(leftOut(['a']))
  await queue.edit(putBack('a'))
  expect([kept(), store.kept.left.length]).toEqual(['b a', 0])
})

test('a refused change is told, what is kept is shown, and the next change starts from that', async () => {
  const { add, kept, inView, store } = slow()
  await add('a')
  store.kept = { ...store.kept, version: 9 }
  const refused = add('b')
  const next = add('c')
  await Promise.all([refused, next])
  expect([kept(), inView(), store.told]).toEqual(['a c', 'a c', ['Somebody else was quicker.']])
})

test('while nobody answers the changes stay in view, and are kept in their order once somebody does', async () => {
  const { queue, add, kept, inView, store } = slow()
  await add('a')
  store.isThere = false
  void add('b')
  const undone = queue.undo()
  const last = add('c')
  await expect.poll(() => store.isUnanswered).toBe(true)
  expect([kept(), inView(), store.told]).toEqual(['a', 'a c', []])
  store.isThere = true
  await Promise.all([undone, last])
  expect([kept(), inView(), store.isUnanswered, store.told]).toEqual(['a c', 'a c', false, []])
})

test('taught is undone too', async () => {
  const { queue, add, store } = slow()
  await add('a')
  void queue.edit((d) => d, true)
  expect(store.inView.isTaught).toBe(true)
  await queue.undo()
  expect([store.kept.isTaught, store.kept.steps.length]).toEqual([false, 1])
})
