import { useDeferredValue, useRef, useState, type DragEvent } from 'react'
import { useNavigate } from 'react-router'
import { useAddTune, useCheck, useUploadTune } from './queries'
import { Button } from '../ui/Button'
import { Refused } from '../ui/Said'
import { TextButton } from '../ui/TextLink'
import { SourceField } from './SourceField'

const EXAMPLE = `X:1
T:First Frost
C:Coppia demo
M:4/4
L:1/4
K:D
D E F G | A A B A | G F E F | D4 |]`

/** Paste, choose or drop a tune; what is wrong stands beside the text, and nothing typed is lost. */
export function AddTune() {
  const navigate = useNavigate()
  const [source, setSource] = useState('')
  const [dragging, setDragging] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  const deferred = useDeferredValue(source)
  const check = useCheck(deferred)
  const add = useAddTune()
  const upload = useUploadTune()
  const found = source.trim() ? check.data : undefined
  const problem = add.error ?? upload.error
  const busy = add.isPending || upload.isPending

  const keep = () => add.mutate({ source }, { onSuccess: (tune) => void navigate(`/tunes/${tune.summary.id}`) })
  const take = (given: File | undefined) => {
    if (!given) return
    upload.mutate(given, {
      onSuccess: (tune) => void navigate(`/tunes/${tune.summary.id}`),
      onError: (refusal) => refusal.source && setSource(refusal.source),
    })
  }
  const drop = (event: DragEvent) => {
    event.preventDefault()
    setDragging(false)
    take(event.dataTransfer.files[0])
  }

  return (
    <section
      aria-labelledby="add-heading"
      onDragOver={(e) => {
        e.preventDefault()
        setDragging(true)
      }}
      onDragLeave={() => setDragging(false)}
      onDrop={drop}
      className={`flex flex-col gap-3 ${dragging ? 'outline-3 outline-offset-8 outline-spruce outline-dashed' : ''}`}
    >
      <h2 id="add-heading" className="text-xl">
        Add a tune
      </h2>
      <p className="text-sm text-soft">
        Paste ABC or MusicXML text, or drop a file here (.abc, .musicxml, .xml, .mxl, up to 5 MB).
      </p>
      <SourceField
        label="Tune text"
        value={source}
        onChange={setSource}
        errors={found?.errors ?? []}
        notices={found && found.errors.length === 0 ? found.notices : []}
        rows={9}
        placeholder={EXAMPLE}
      />
      {found && found.errors.length === 0 && (
        <p className="text-sm" data-testid="found">
          <strong>{found.title || 'Untitled tune'}</strong>: {found.keyName}, {found.meter}, {found.bars}{' '}
          {found.bars === 1 ? 'bar' : 'bars'}, {found.clef} clef, read as printed for {found.printedFor}.
        </p>
      )}
      {problem && problem.errors.length === 0 && <Refused>{problem.message}</Refused>}
      <div className="flex flex-wrap items-center gap-3">
        <Button kind="go" disabled={!found || found.errors.length > 0 || busy} onClick={keep}>
          {busy ? 'Keeping…' : 'Keep and open'}
        </Button>
        <Button onClick={() => file.current?.click()}>Choose a file</Button>
        {source === '' && <TextButton onClick={() => setSource(EXAMPLE)}>Try the example</TextButton>}
        <input
          ref={file}
          type="file"
          className="hidden"
          aria-label="Tune file"
          accept=".abc,.musicxml,.xml,.mxl,text/plain"
          onChange={(e) => {
            take(e.target.files?.[0])
            e.target.value = ''
          }}
        />
      </div>
    </section>
  )
}
