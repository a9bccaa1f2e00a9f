/** A reply says the same as an answer, in all that both of them tell; where they tell nothing in common it does not. */
export function isSame(answer: unknown, reply: unknown): boolean {
  if (typeof answer !== 'object' || answer === null) return answer === reply
  if (typeof reply !== 'object' || reply === null) return false
  const said = reply as Record<string, unknown>
  const both = Object.entries(answer).filter(([name]) => name in said)
  return both.length > 0 && both.every(([name, value]) => isSame(value, said[name]))
}
