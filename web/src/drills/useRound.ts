import { useState } from 'react'
import type { DrillQuestion, Judgement } from '../api/client'
import { useKept } from '../offline/kept'
import type { Given, Judge, Reply } from './queries'

/** A round that was begun: what it asks, and the first answers so far. */
type Begun = { of: string; given: readonly Given[] }

/**
 * One question at a time. A wrong answer is followed by its own next question, which does not count. A round that was
 * left goes on where it was, on this machine.
 * @param name Where the round is kept.
 * @param of Tells the questions from others.
 */
export function useRound(name: string, of: string, judge: Judge, questions: readonly DrillQuestion[]) {
  const [kept, keep] = useKept<Begun>(`round.${name}`)
  const given = kept?.of === of ? kept.given : []
  const [at, setAt] = useState(given.length)
  const [followUp, setFollowUp] = useState<DrillQuestion | null>(null)
  const [verdict, setVerdict] = useState<Judgement | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [since, setSince] = useState(Date.now)
  const asked = followUp ?? questions[at]

  const check = async (reply: Reply | null) => {
    if (!asked || busy || verdict) return
    setBusy(true)
    setProblem(null)
    try {
      const found = await judge.answer(asked, reply, (Date.now() - since) / 1000, !followUp)
      setVerdict(found)
      if (!followUp)
        keep({ of, given: [...given, { kind: asked.kind, question: asked.sheet.question, reply, right: found.right }] })
    } catch (refusal) {
      setProblem(refusal instanceof Error ? refusal.message : String(refusal))
    } finally {
      setBusy(false)
    }
  }
  const goOn = () => {
    if (!verdict) return
    // Asked once more in another form; what goes wrong there is said, and then the round goes on.
    const next = followUp ? null : verdict.next
    setFollowUp(next)
    setVerdict(null)
    setSince(Date.now())
    if (!next) setAt(at + 1)
  }
  const startAgain = () => {
    keep(null)
    setAt(0)
    setSince(Date.now())
    setFollowUp(null)
    setVerdict(null)
  }
  return { asked, at, isFollowUp: followUp !== null, given, verdict, busy, problem, check, goOn, startAgain }
}
