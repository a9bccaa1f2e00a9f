import type { TakenIn } from '../api/client'
import { Refused } from '../ui/Said'
import { FileButton } from '../ui/FileButton'
import { FileLink } from '../ui/FileLink'
import { useTakeIn } from './queries'

/** Everything out in formats that other programs read, and in again. */
export function OpenFormats() {
  const take = useTakeIn()
  return (
    <section aria-labelledby="open-formats">
      <h2 id="open-formats" className="mb-2 text-2xl">
        Everything out
      </h2>
      <p className="mb-4 max-w-prose">
        One .zip of open formats: each tune as it was written, in ABC, MusicXML or text; fingers and bowing as tables
        for a spreadsheet; styles and sheets as JSON. Taken in again, it adds what is not here yet.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <FileLink strong href="/api/keeping/everything">
          Save everything
        </FileLink>
        <FileButton accept=".zip" busy={take.isPending} onFile={(file) => take.mutate(file)}>
          Take everything in …
        </FileButton>
        <span role="status">{take.isPending && 'It is read …'}</span>
      </div>
      {take.error && (
        <div className="mt-3">
          <Refused>{take.error.message} Nothing was taken in.</Refused>
        </div>
      )}
      {take.data && <Taken {...take.data} />}
    </section>
  )
}

const many = (count: number, one: string) => `${count} ${count === 1 ? one : `${one}s`}`

function Taken({ added, leftOut }: TakenIn) {
  const there = added.tunesThere + added.stylesThere + added.sheetsThere + added.classesThere
  return (
    <div className="mt-3" role="status">
      <p>
        Taken in: {many(added.tunes, 'tune')}, {many(added.styles, 'style')}, {many(added.sheets, 'sheet')},{' '}
        {added.classes === 1 ? '1 class' : `${added.classes} classes`}.{there > 0 && ` ${there} were here already.`}
      </p>
      {leftOut.length > 0 && (
        <>
          <p className="mt-2">These tunes cannot be read; their texts are in the .zip:</p>
          <ul className="list-disc pl-5 text-sm">
            {leftOut.map((said) => (
              <li key={said}>{said}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
