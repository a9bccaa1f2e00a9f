import { useDeferredValue, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { readBookText, useAddTune, useCheck } from './queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { TextButton, TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useFileDrop } from '../ui/useFileDrop'
import type { SourceFormat, TuneDetail } from '../api/client'
import { BookList } from './BookList'
import { LiveStaff } from './LiveStaff'
import { SourceField } from './SourceField'
import { useTakeFiles, type Book } from './useTakeFiles'

const EXAMPLE = `Title: First Frost
Key: D
Time: 4/4
D E F G | A A B A | G F E F | D4 |`

/** What a text was taken for, so that one sees why it reads as it does. */
const READ_AS: Record<SourceFormat, string> = {
  letters: 'note letters',
  fingers: 'strings and fingers',
  abc: 'ABC',
  musicXml: 'MusicXML',
}

/**
 * The text in the field: typed, or from a file that could not be read; a typed text that had to make room for a file's
 * waits aside.
 */
export type Entered = { text: string; file: string | null; aside: string }
const NOTHING: Entered = { text: '', file: null, aside: '' }

/** Paste, choose or drop a tune; what is wrong stands beside the text, and nothing typed is lost. */
export function AddTune() {
  const navigate = useNavigate()
  const toast = useToast()
  const [kept, keep] = useKept<Entered>('new-tune')
  const entered = kept ?? NOTHING
  const [origin, setOrigin] = useState(0)
  const chooser = useRef<HTMLInputElement>(null)
  const field = useRef<HTMLTextAreaElement>(null)
  const deferred = useDeferredValue(entered.text)
  const check = useCheck(deferred, origin)
  const add = useAddTune()
  const isCurrent = deferred === entered.text
  const found = entered.text.trim() && isCurrent ? check.data : undefined
  const errors = found?.errors ?? []
  // Until this very text is judged it may be kept: the server judges it as well, and a quick press is not lost.
  const isWrong = errors.length > 0 && !check.isPlaceholderData
  const [book, setBook] = useState<Book | null>(null)
  /** A score of several lines asks first who reads which. */
  const open = ({ summary, lines }: TuneDetail) =>
    void navigate(`/tunes/${summary.id}`, { state: { whichLine: lines > 1 } })
  /** Puts another text in the field's place. */
  const replace = (next: Entered) => {
    add.reset()
    setOrigin((n) => n + 1)
    keep(next.text || next.aside ? next : null)
  }
  const files = useTakeFiles({
    onAdded: open,
    onBook: setBook,
    onBegin: () => {
      add.reset()
      // The last file's text and its errors make room; it is still where it came from.
      if (entered.file !== null) replace({ ...NOTHING, text: entered.aside })
    },
    onText: (text, file) =>
      replace({ text, file, aside: entered.file === null ? entered.text || entered.aside : entered.aside }),
  })
  const over = useFileDrop((dropped) => void files.take(dropped))
  const busy = add.isPending || files.progress !== null

  const type = (text: string) => {
    add.reset()
    files.reset()
    keep(text || entered.aside ? { ...entered, text, file: null } : null)
  }
  const keepAndOpen = () =>
    add.mutate(
      { source: entered.text },
      {
        onSuccess: (tune) => {
          // Of a book the text stays: its other tunes are still to be taken.
          if (tune.tunes > 1)
            toast({ text: `This is the first of ${tune.tunes} tunes. Their text waits under Tunes, to choose more.` })
          else keep(entered.aside ? { ...NOTHING, text: entered.aside } : null)
          open(tune)
        },
      },
    )
  const empty = () => {
    replace({ ...NOTHING, text: entered.aside })
    field.current?.focus()
    toast({ text: 'The field is empty.', action: { label: 'Undo', run: () => keep(entered) } })
  }

  return (
    <section aria-labelledby="add-heading" className="flex flex-col gap-3">
      {over && (
        <div className="pointer-events-none fixed inset-3 z-40 grid place-items-center rounded-lg bg-spruce-pale/90 text-2xl font-bold outline-4 outline-spruce outline-dashed">
          Let go to add the tune
        </div>
      )}
      <h2 id="add-heading" className="text-xl">
        Add a tune
      </h2>
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <TextLink to="/write">Write it on the staff</TextLink>
        <span className="text-sm text-soft">
          from paper, with keys, pointer or fingerboard; a photo or a scan cannot be read here.
        </span>
      </p>
      <p className="text-sm text-soft">
        Or type the letters as on the board (G A B G | C5 B A2) or strings and fingers (D: 0 0 A: 0 0), paste ABC or
        MusicXML, or drop files anywhere on this page (.abc, .musicxml, .xml, .mxl, or a .zip of them, up to 5 MB).
      </p>
      {files.progress && <p role="status">{files.progress}</p>}
      {files.refused.map((r) => (
        <Refused key={r.file}>
          “{r.file}”: {r.why}
        </Refused>
      ))}
      <SourceField
        label={entered.file === null ? 'Tune text' : `Tune text, from “${entered.file}”`}
        value={entered.text}
        onChange={type}
        errors={errors}
        notices={errors.length === 0 ? (found?.notices ?? []) : []}
        rows={9}
        placeholder={EXAMPLE}
        field={field}
      >
        <div className="flex flex-wrap items-center gap-3">
          <Button kind="go" disabled={!entered.text.trim() || isWrong || busy} onClick={keepAndOpen}>
            {busy ? 'Keeping…' : 'Keep and open'}
          </Button>
          <Button disabled={busy} onClick={() => chooser.current?.click()}>
            Choose files
          </Button>
          {entered.text === '' ? (
            <TextButton
              onClick={() => {
                type(EXAMPLE)
                field.current?.focus()
              }}
            >
              Try the example
            </TextButton>
          ) : (
            <TextButton onClick={empty}>Empty the field</TextButton>
          )}
          {book && (
            <BookList
              {...book}
              onTaken={() => {
                setBook(null)
                // The text was the book's; it is in the list now.
                if (found && found.tunes > 1) keep(entered.aside ? { ...NOTHING, text: entered.aside } : null)
              }}
              onClose={() => setBook(null)}
            />
          )}
          <input
            ref={chooser}
            type="file"
            multiple
            className="hidden"
            aria-label="Tune files"
            accept=".abc,.musicxml,.xml,.mxl,.zip,text/plain"
            onChange={(e) => {
              void files.take([...(e.target.files ?? [])])
              e.target.value = ''
            }}
          />
        </div>
      </SourceField>
      {add.error && add.error.errors.length === 0 && <Refused>{add.error.message}</Refused>}
      {entered.aside !== '' && (
        <p className="text-sm">
          What you typed before is put aside.{' '}
          <TextButton
            onClick={() =>
              replace({ text: entered.aside, file: null, aside: entered.file === null ? entered.text : '' })
            }
          >
            Bring it back
          </TextButton>
        </p>
      )}
      {found && errors.length === 0 && (
        <p className="text-sm" data-testid="found">
          <strong>{found.title || 'Untitled tune'}</strong>: {found.keyName}, {found.meter}, {found.bars}{' '}
          {found.bars === 1 ? 'bar' : 'bars'}, {found.clef} clef, read as {READ_AS[found.format]}, printed for{' '}
          {found.printedFor}.{' '}
          {found.lines.length > 1 && `The score has ${found.lines.length} lines; you choose which is for whom.`}
        </p>
      )}
      {found && found.tunes > 1 && (
        <p className="text-sm">
          This text holds {found.tunes} tunes; the first is shown.{' '}
          <TextButton
            onClick={() =>
              void readBookText(entered.text).then((tunes) => setBook({ name: entered.file ?? '', tunes }))
            }
          >
            Choose which to keep
          </TextButton>
        </p>
      )}
      <LiveStaff
        musicXml={entered.text.trim() ? check.data?.musicXml : null}
        label={`The notes of ${check.data?.title || 'the tune'} as they are read`}
      />
      {isCurrent && <Asked of={check}>{null}</Asked>}
    </section>
  )
}
