import { expect, test } from 'vitest'
import { answer, Refusal } from './client'

const got = (status: number, error?: unknown) =>
  Promise.resolve({ error, response: new Response(status === 204 ? null : '', { status }) })

const refusal = async (pending: Promise<unknown>): Promise<Refusal> => {
  try {
    await pending
  } catch (problem) {
    if (problem instanceof Refusal) return problem
  }
  throw new Error('It was not refused.')
}

test('a good answer is its data', async () =>
  expect(await answer(Promise.resolve({ data: 7, response: new Response('7') }))).toBe(7))

test('a server that is gone is told in words that say what to do', async () => {
  const { message, status } = await refusal(answer(Promise.reject(new TypeError('fetch failed'))))
  expect([message, status]).toEqual(['Coppia does not answer. Is it still running? Nothing you typed is lost.', 0])
})

test('an unreadable tune keeps all of its places', async () => {
  const errors = [{ at: { line: 3, column: 5 }, wrong: 'a bar is too long', expected: '4 beats' }]
  const refused = await refusal(answer(got(422, { title: 'The tune cannot be read.', detail: 'Line 3.', errors })))
  expect(refused.message).toBe('The tune cannot be read. Line 3.')
  expect(refused.errors).toEqual(errors)
})

test('broken rules are told in the server’s words', async () => {
  const { message } = await refusal(
    answer(got(400, { title: 'One or more', errors: { Name: ['The style needs a name.'] } })),
  )
  expect(message).toBe('The style needs a name.')
})

test('a tune that someone saved meanwhile comes with the refusal', async () => {
  const theirs = { summary: { id: 1 }, source: 'X:1' }
  expect((await refusal(answer(got(409, { title: 'Someone saved it.', current: theirs })))).current).toEqual(theirs)
})

test('a refusal without words names its number', async () =>
  expect((await refusal(answer(got(500)))).message).toContain('500'))
