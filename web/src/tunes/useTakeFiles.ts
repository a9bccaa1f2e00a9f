import { useState } from 'react'
import type { BookTune, Refusal, TuneDetail } from '../api/client'
import { useToast } from '../ui/toasts'
import { readBook, useAddTune } from './queries'

type RefusedFile = { file: string; why: string }

/** The tunes of a file that holds many, and its name. */
export type Book = { name: string; tunes: readonly BookTune[] }

/**
 * Adds files to the library, one after the other; one alone is opened, or comes back as text to mend. Files with many
 * tunes are listed first, to take some of them or all.
 */
export function useTakeFiles({
  onAdded,
  onBegin,
  onText,
  onBook,
}: {
  /** Gets the tune that was made of the only file. */
  onAdded: (tune: TuneDetail) => void
  /** New files are taken; what was said of the last ones is over. */
  onBegin: () => void
  /** Gets the text of the only file where it cannot be read. */
  onText: (text: string, file: string) => void
  /** Gets what is to be chosen from. */
  onBook: (book: Book) => void
}) {
  const [refused, setRefused] = useState<readonly RefusedFile[]>([])
  const [progress, setProgress] = useState<string | null>(null)
  const add = useAddTune()
  const toast = useToast()
  const refuse = (file: string, why: string) => setRefused((before) => [...before, { file, why }])

  /** What became of one file: how many tunes it added, or those to choose from. */
  const takeOne = async (file: File, isOnly: boolean): Promise<{ added: number; book: readonly BookTune[] }> => {
    const tunes = await readBook(file)
    const [tune] = tunes
    if (tunes.length !== 1 || !tune) return { added: 0, book: tunes }
    if (tune.error && isOnly && tune.source) {
      onText(tune.source, file.name)
      return { added: 0, book: [] }
    }
    if (tune.error) {
      const { at, wrong, expected } = tune.error
      refuse(file.name, `line ${at.line}, column ${at.column}: ${wrong}; expected ${expected}.`)
      return { added: 0, book: [] }
    }
    const kept = await add.mutateAsync({ source: tune.source })
    if (isOnly) onAdded(kept)
    return { added: 1, book: [] }
  }

  const take = async (files: readonly File[]) => {
    if (files.length === 0 || progress !== null) return
    onBegin()
    setRefused([])
    let added = 0
    const books: BookTune[] = []
    for (const [i, file] of files.entries()) {
      setProgress(files.length === 1 ? `Reading “${file.name}” …` : `Reading file ${i + 1} of ${files.length} …`)
      try {
        const done = await takeOne(file, files.length === 1)
        added += done.added
        books.push(...done.book)
      } catch (problem) {
        refuse(file.name, (problem as Refusal).message)
      }
    }
    setProgress(null)
    if (books.length > 0)
      onBook({
        name: files.length === 1 ? (files[0]?.name ?? '') : `${files.length} files`,
        tunes: books.map((tune, i) => ({ ...tune, number: i + 1 })),
      })
    if (files.length > 1) toast({ text: `${added} of ${files.length} files are in the list.` })
  }
  return { take, refused, progress, reset: () => setRefused([]) }
}
