import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Instrument, PartRequest, TuneSummary } from '../api/client'
import { useToast } from '../ui/toasts'
import { copySheetFor, keepAsTune, makePart, useKeepSheet } from './queries'
import { docOf, pinnedOf, withPart, type Bench } from './sheet'
import type { useBench } from './useBench'

const words = (refusal: unknown) => (refusal instanceof Error ? refusal.message : String(refusal))

/** What is done on the bench with the server’s help; what cannot be made is said, and nothing changes. */
export function useBenchWork(
  { bench, change, lay, note }: ReturnType<typeof useBench>,
  instruments: readonly Instrument[],
  aTune: TuneSummary | undefined,
) {
  const navigate = useNavigate()
  const toast = useToast()
  const keepSheet = useKeepSheet()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<{ part: number | null; text: string } | null>(null)

  /** Puts what is made on the bench; what was typed there meanwhile stays. */
  const make = async (at: number | null, work: () => Promise<(now: Bench) => Bench>, put = change) => {
    setBusy(true)
    setProblem(null)
    try {
      put(await work())
      return true
    } catch (refusal) {
      setProblem({ part: at, text: words(refusal) })
      return false
    } finally {
      setBusy(false)
    }
  }

  const add = (kind: string, needsATune: boolean) => {
    const last = bench.parts.at(-1)?.request
    const tune = last?.tuneId ?? (needsATune ? aTune?.id : undefined)
    const request: PartRequest = {
      kind,
      octaves: 1,
      seed: last?.seed ?? 1,
      // What was chosen for the part before is wanted for the next one too.
      ...(last?.key && { key: last.key }),
      ...(last?.strings && { strings: last.strings }),
      ...(tune !== undefined && { tuneId: tune }),
    }
    return make(null, async () => {
      const made = await makePart({ instruments: bench.instruments, request })
      return (now) => ({ ...now, parts: [...now.parts, made] })
    })
  }

  const again = (at: number, request: PartRequest) => {
    const former = bench.parts[at]
    if (!former) return
    void make(at, async () => {
      const made = await makePart({ instruments: bench.instruments, request, kept: pinnedOf(former) })
      return (now) => withPart(now, at, made)
    })
  }

  const anotherSheet = () =>
    void make(null, async () => {
      const parts = await Promise.all(
        bench.parts.map((p) =>
          makePart({
            instruments: bench.instruments,
            request: { ...p.request, seed: p.request.seed + 1 },
            kept: pinnedOf(p),
          }),
        ),
      )
      return (now) => ({ ...now, parts })
    })

  const choose = (id: string, on: boolean) => {
    const next = instruments.map((i) => i.id).filter((i) => (i === id ? on : bench.instruments.includes(i)))
    if (next.length === 0) return
    // The same requests and seeds, the content that all of them can share.
    void make(null, async () => {
      const parts = await Promise.all(bench.parts.map((p) => makePart({ instruments: next, request: p.request })))
      return (now) => ({ ...now, instruments: next, parts })
    })
  }

  /** The very questions of one instrument for another: a sheet of its own, in the place of this one. */
  const copyFor = (from: Instrument, to: Instrument) => {
    const name = to.name.toLowerCase()
    void make(
      null,
      async () => {
        const { parts, leftOut } = await copySheetFor(to.id, from.id, docOf(bench))
        const rest =
          leftOut === 0 ? '' : ` ${leftOut} ${leftOut === 1 ? 'question has' : 'questions have'} no answer there.`
        toast({ text: `A copy for ${name} lies on the bench, not kept yet.${rest}` })
        return (now) => ({ ...now, id: null, version: 1, instruments: [to.id], parts })
      },
      lay,
    )
  }

  const keepIt = () =>
    keepSheet.mutate(
      { id: bench.id, version: bench.version, sheet: docOf(bench) },
      {
        onSuccess: (kept) => {
          note({ id: kept.id, version: kept.version })
          toast({ text: `“${kept.heading || 'Exercises'}” is kept.` })
        },
        onError: (refusal) => toast({ text: refusal.message }),
      },
    )

  /** Heard, looped and walked through, an exercise is a tune like any other. */
  const toStand = async (part: number, at: number, instrument: string) => {
    const own = bench.parts[part]
    const item = own?.items[at]
    if (!own || !item) return
    const title = [own.name, own.key].filter(Boolean).join(', ')
    try {
      const tune = await keepAsTune(title, own.request.kind, instrument, item.each[instrument]?.question)
      toast({ text: `“${title}” is among the tunes.` })
      await navigate(`/tunes/${tune}?for=${instrument}`)
    } catch (refusal) {
      toast({ text: words(refusal) })
    }
  }

  return { busy, problem, keeping: keepSheet.isPending, add, again, anotherSheet, choose, copyFor, keepIt, toStand }
}
