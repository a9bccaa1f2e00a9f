import { Play, Square } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { Input, Select } from '../ui/Field'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { SeenStaff } from './SeenStaff'
import { PiecePicture } from './PiecePicture'
import { useAddRemark, useMovePiece, useTakeRemarkBack, type ClassPiece } from './queries'
import { LIMITS } from '../api/limits'

const WHOLE = 0

/** One learner’s piece: how it looks and sounds, what the rules say of it, and what the teacher says. */
export function PieceRow({
  id,
  piece,
  instrument,
  ready,
  widthPx,
  withTask,
  playing,
  onPlay,
}: {
  /** The class. */
  id: number
  piece: ClassPiece
  instrument: string
  /** Ready words for a remark. */
  ready: readonly string[]
  widthPx: number
  withTask: boolean
  playing: boolean
  onPlay: () => void
}) {
  const move = useMovePiece(id)
  const toast = useToast()
  const [reading, setReading] = useState(false)
  const written = piece.state === 'writing'
  // What is only not written yet is no fault of a piece that is being written.
  const broken = piece.check.findings.filter((f) => !written || !f.unfinished)
  const handed = piece.state === 'handedIn' || piece.state === 'accepted'
  const to = (state: ClassPiece['state'], said: string) =>
    move.mutate(
      { piece: piece.id, state },
      { onSuccess: () => toast({ text: said }), onError: (problem) => toast({ text: problem.message }) },
    )
  return (
    <li
      className="grid gap-x-8 gap-y-1 border-b border-line py-2 lg:grid-cols-[minmax(0,1fr)_29rem]"
      data-piece={piece.id}
    >
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <strong className="font-head text-lg">{piece.nickname}</strong>
          <span className="text-sm text-soft">
            {instrument}
            {withTask && ` · ${piece.title}`} · {piece.barsWritten} of {piece.bars} bars
          </span>
        </p>
        {widthPx > 0 &&
          (piece.hand ? (
            // As the child put heads, stems and signs.
            <SeenStaff
              task={piece.hand.task}
              piece={piece.hand.piece}
              room={widthPx}
              space={9}

              label={`${piece.nickname}’s piece`}
            />
          ) : (
            <PiecePicture musicXml={piece.musicXml} widthPx={widthPx} />
          ))}
      </div>
      <div className="flex flex-col gap-1.5">
        <p className={broken.length === 0 ? 'font-bold text-spruce' : 'font-bold text-brick'} data-testid="rules-met">
          {broken.length === 0
            ? written && !piece.check.kept
              ? 'Not finished yet'
              : 'All rules are kept'
            : `${broken.length} ${broken.length === 1 ? 'rule is' : 'rules are'} not kept`}
        </p>
        {broken.length > 0 && (
          <ul className="text-sm">
            {broken.slice(0, 4).map((f, i) => (
              <li key={i}>
                Bar {f.bar}: {f.words}
              </li>
            ))}
            {broken.length > 4 && <li>and {broken.length - 4} more</li>}
          </ul>
        )}
        <Remarks id={id} piece={piece} />
        <div className="flex flex-wrap items-center gap-2">
          <Button size="small" onClick={onPlay} disabled={piece.sound.length === 0}>
            {playing ? <Square size={15} /> : <Play size={15} />}
            {playing ? 'Stop' : 'Hear it'}
            <span className="sr-only"> {piece.nickname}</span>
          </Button>
          <TextLink to={`/classes/${id}/pieces/${piece.id}`}>On the stand</TextLink>
          {handed && (
            <Button size="small" onClick={() => setReading(!reading)} aria-expanded={reading}>
              Remark
            </Button>
          )}
          {piece.state === 'handedIn' && (
            <Button
              size="small"
              kind="go"
              onClick={() => to('accepted', `${piece.nickname}’s piece is accepted: it can stand in the booklet.`)}
            >
              Accept
            </Button>
          )}
          {handed && (
            <Button size="small" onClick={() => to('givenBack', `${piece.nickname} can write on it again.`)}>
              Give back
            </Button>
          )}
        </div>
        {reading && <NewRemark id={id} piece={piece} ready={ready} onDone={() => setReading(false)} />}
      </div>
    </li>
  )
}

function Remarks({ id, piece }: { id: number; piece: ClassPiece }) {
  const back = useTakeRemarkBack(id)
  const toast = useToast()
  if (piece.remarks.length === 0) return null
  return (
    <ul className="text-sm">
      {piece.remarks.map((r) => (
        <li key={r.id} className="border-l-4 border-maple pl-2">
          {r.bar !== null && <strong>Bar {r.bar}: </strong>}
          {r.words}{' '}
          <Button
            size="inline"
            onClick={() =>
              back.mutate({ piece: piece.id, remark: r.id }, { onError: (problem) => toast({ text: problem.message }) })
            }
          >
            Take back
          </Button>
        </li>
      ))}
    </ul>
  )
}

function NewRemark({
  id,
  piece,
  ready,
  onDone,
}: {
  id: number
  piece: ClassPiece
  ready: readonly string[]
  onDone: () => void
}) {
  const add = useAddRemark(id)
  const [bar, setBar] = useState(WHOLE)
  const [words, setWords] = useState('')
  return (
    <form
      className="flex flex-col gap-2 border-t border-line pt-2"
      onSubmit={(e) => {
        e.preventDefault()
        add.mutate({ piece: piece.id, words, bar: bar === WHOLE ? null : bar }, { onSuccess: onDone })
      }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <Select
          size="small"
          aria-label="About"
          value={bar}
          options={[
            { value: WHOLE, label: 'the whole piece' },
            ...Array.from({ length: piece.bars }, (_, i) => ({ value: i + 1, label: `bar ${i + 1}` })),
          ]}
          onChoose={setBar}
        />
        <Select
          size="small"
          width="max-w-56"
          aria-label="Ready words"
          value=""
          options={[{ value: '', label: 'ready words …' }, ...ready.map((r) => ({ value: r, label: r }))]}
          onChoose={setWords}
        />
      </div>
      <Input
        size="small"
        aria-label="Remark"
        placeholder="or your own words"
        value={words}
        maxLength={LIMITS.longestRemark}
        onChange={(e) => setWords(e.target.value)}
      />
      {add.error && <p className="text-sm text-brick">{add.error.message}</p>}
      <div className="flex gap-2">
        <Button size="small" kind="go" type="submit" disabled={words.trim() === '' || add.isPending}>
          Say it
        </Button>
        <Button size="small" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  )
}
