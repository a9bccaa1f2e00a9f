import { useState } from 'react'
import type { Refusal } from '../api/client'
import { useToast } from '../ui/toasts'
import { useUploadTune } from './queries'

type RefusedFile = { file: string; why: string }

/** Adds files to the library, one after the other; one alone is opened, or comes back as text to mend. */
export function useTakeFiles({
  onAdded,
  onBegin,
  onText,
}: {
  /** Gets the tune that was made of the only file. */
  onAdded: (id: number) => void
  /** New files are taken; what was said of the last ones is over. */
  onBegin: () => void
  /** Gets the text of the only file where it cannot be read. */
  onText: (text: string, file: string) => void
}) {
  const [refused, setRefused] = useState<readonly RefusedFile[]>([])
  const [progress, setProgress] = useState<string | null>(null)
  const upload = useUploadTune()
  const toast = useToast()
  const take = async (files: readonly File[]) => {
    if (files.length === 0 || progress !== null) return
    onBegin()
    setRefused([])
    let added = 0
    for (const [i, file] of files.entries()) {
      setProgress(files.length === 1 ? `Reading “${file.name}” …` : `Reading file ${i + 1} of ${files.length} …`)
      try {
        const tune = await upload.mutateAsync(file)
        added++
        if (files.length === 1) onAdded(tune.summary.id)
      } catch (problem) {
        const refusal = problem as Refusal
        if (files.length === 1 && refusal.source) onText(refusal.source, file.name)
        else setRefused((before) => [...before, { file: file.name, why: refusal.message }])
      }
    }
    setProgress(null)
    if (files.length > 1) toast({ text: `${added} of ${files.length} files are in the list.` })
  }
  return { take, refused, progress, reset: () => setRefused([]) }
}
