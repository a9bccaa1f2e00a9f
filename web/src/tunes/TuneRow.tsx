import { ChevronDown } from 'lucide-react'
import { memo } from 'react'
import { Link } from 'react-router'
import type { TuneSummary } from '../api/client'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'

/** New things are named where there are few. */
const MOST_NAMED = 3

export type TuneActions = Record<'look' | 'edit' | 'copy' | 'discard', (tune: TuneSummary) => void>

/** Drawn anew only where it says something else: a letter of a search must not wait for all rows. */
export const TuneRow = memo(function TuneRow({
  tune,
  printedFor,
  actions: { look, edit, copy, discard },
}: {
  tune: TuneSummary
  /** The name of the instrument that it is printed for. */
  printedFor: string
  actions: TuneActions
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1.5 md:grid-cols-[minmax(0,1fr)_7.5rem_5.5rem_4.5rem_6.5rem_5rem]">
      <Link
        to={`/tunes/${tune.id}`}
        data-tune
        onPointerEnter={() => look(tune)}
        onFocus={() => look(tune)}
        className="group min-w-0 py-1"
      >
        <span className="block truncate font-head text-lg leading-tight font-semibold group-hover:text-maple-dark">
          {tune.title}
        </span>
        <span className="block truncate text-sm text-soft">{tune.composer}</span>
      </Link>
      {/* In columns; in one line below the title where there is no room for them. */}
      <span className="col-span-full row-start-2 flex flex-wrap gap-x-3 text-sm text-soft md:contents md:text-base md:text-ink">
        <span>{tune.keyName}</span>
        <span>{tune.meter}</span>
        <span>
          {tune.bars} {tune.bars === 1 ? 'bar' : 'bars'}
        </span>
        <span>{printedFor}</span>
      </span>
      <MoreMenu
        end
        label={`More for ${tune.title}`}
        button={
          <>
            More <ChevronDown size={15} />
          </>
        }
      >
        <MoreItem onClick={() => edit(tune)}>Rename or edit</MoreItem>
        <MoreItem onClick={() => copy(tune)}>Duplicate</MoreItem>
        <MoreItem href={`/api/tunes/${tune.id}/export?format=musicxml`}>Save as MusicXML</MoreItem>
        <MoreItem href={`/api/tunes/${tune.id}/export?format=abc`}>Save as ABC</MoreItem>
        <MoreItem grave onClick={() => discard(tune)}>
          Delete
        </MoreItem>
      </MoreMenu>
      {tune.fit && (
        <p className="col-span-full text-sm text-soft" title={tune.fit.parts}>
          <span className={tune.fit.reach === 'next' ? 'font-bold text-spruce' : ''}>{tune.fit.words}</span>
          {tune.fit.count > 0 && ` (${tune.fit.weight})`}
          {tune.fit.count > 0 && tune.fit.count < MOST_NAMED && `: ${tune.fit.new.join('; ')}`}
        </p>
      )}
    </div>
  )
})
