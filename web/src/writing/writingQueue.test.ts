import { describe, expect, it } from 'vitest'
import type { WritingCommand, WritingState, WritingView } from '../api/client'
import { writingQueue } from './writingQueue'

/** A staff whose score is the letters that were written; each step is answered a little later. */
const staff = (doc: string) => ({ state: { doc } as WritingState }) as WritingView
const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

const begin = () => {
  const said: string[] = []
  const shown: string[] = []
  const queue = writingQueue(staff(''), {
    send: async (state: WritingState, command?: WritingCommand) => {
      await later(Math.random() * 3)
      if (command?.do === 'nonsense') throw new Error('“nonsense” cannot be done')
      if (command?.do === 'meter') return { ...staff(state.doc), leftOut: 'A repeat is left out.' }
      if (command?.do === 'delete') return staff(state.doc.slice(0, -1))
      return staff(state.doc + (command?.text ?? ''))
    },
    show: (view) => shown.push(view.state.doc),
    tell: (why) => said.push(why),
  })
  const write = (letters: string) => Promise.all(Array.from(letters, (text) => queue.step({ do: 'letter', text })))
  return { queue, said, shown, write, doc: () => queue.now().state.doc }
}

describe('steps on the writing staff', () => {
  it('come one after the other, and none is lost', async () => {
    const { write, doc } = begin()
    await write('DEFGABC'.repeat(9))
    expect(doc()).toBe('DEFGABC'.repeat(9))
  })

  it('are undone to the very state that was, and done again', async () => {
    const { queue, write, shown, doc } = begin()
    await write('DEF')
    void queue.undo()
    void queue.undo()
    await queue.undo()
    expect(shown.slice(-3)).toEqual(['DE', 'D', ''])
    void queue.redo()
    await queue.redo()
    expect(doc()).toBe('DE')
  })

  it('have no end of undo', async () => {
    const { queue, write, doc } = begin()
    await write('A'.repeat(200))
    await Promise.all(Array.from({ length: 200 }, () => queue.undo()))
    expect(doc()).toBe('')
  })

  it('a new step ends what could be done again', async () => {
    const { queue, write, said, doc } = begin()
    await write('DE')
    await queue.undo()
    await write('G')
    await queue.redo()
    expect(doc()).toBe('DG')
    expect(said).toEqual(['There is nothing to do again.'])
  })

  it('that change no note are not undone', async () => {
    const { queue, write, doc } = begin()
    await write('DE')
    await queue.step({ do: 'move', by: -1 })
    await queue.undo()
    expect(doc()).toBe('D')
  })

  it('that are refused say why and lose nothing', async () => {
    const { queue, write, said, doc } = begin()
    await write('DE')
    await queue.step({ do: 'nonsense' })
    await write('F')
    expect(doc()).toBe('DEF')
    expect(said).toEqual(['“nonsense” cannot be done'])
  })

  it('that leave something out say so', async () => {
    const { queue, said } = begin()
    await queue.step({ do: 'meter', text: '3/4' })
    expect(said).toEqual(['A repeat is left out.'])
  })
})

it('goes back further where a score that is gone back to comes back put down in other words', async () => {
  const words = (doc: string) => staff(`${doc} `)
  const queue = writingQueue(staff(''), {
    send: (state, command) =>
      Promise.resolve(command ? staff(state.doc.trim() + (command.text ?? '')) : words(state.doc.trim())),
    show: () => undefined,
    tell: (why) => expect.fail(why),
  })
  for (const text of 'DEF') await queue.step({ do: 'letter', text })
  await queue.undo()
  await queue.undo()
  await queue.undo()
  expect(queue.now().state.doc.trim()).toBe('')
  await queue.redo()
  await queue.redo()
  expect(queue.now().state.doc.trim()).toBe('DE')
})
