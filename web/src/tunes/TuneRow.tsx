import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { Link } from 'react-router'
import type { TuneSummary } from '../api/client'

const NAMES: Record<string, string> = { violin: 'Violin', viola: 'Viola', cello: 'Cello', bass: 'Double bass' }
const ITEM = 'block w-full px-4 py-2 text-left data-focus:bg-maple-pale'

export function TuneRow({
  tune,
  onEdit,
  onDuplicate,
  onDelete,
}: {
  tune: TuneSummary
  onEdit: () => void
  onDuplicate: () => void
  onDelete: () => void
}) {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_7.5rem_5.5rem_4.5rem_6.5rem_5rem] items-center gap-3 border-b border-line py-1.5">
      <Link to={`/tunes/${tune.id}`} data-tune className="group min-w-0 py-1">
        <span className="block truncate font-head text-lg font-semibold leading-tight group-hover:text-maple-dark">
          {tune.title}
        </span>
        <span className="block truncate text-sm text-soft">{tune.composer}</span>
      </Link>
      <span>{tune.keyName}</span>
      <span>{tune.meter}</span>
      <span>
        {tune.bars} {tune.bars === 1 ? 'bar' : 'bars'}
      </span>
      <span>{NAMES[tune.printedFor] ?? tune.printedFor}</span>
      <Menu>
        <MenuButton
          aria-label={`More for ${tune.title}`}
          className="flex items-center justify-end gap-1 rounded-md px-2 py-1.5 text-soft hover:bg-maple-pale hover:text-ink"
        >
          More <ChevronDown size={15} />
        </MenuButton>
        <MenuItems
          anchor="bottom end"
          className="z-20 w-56 rounded-md border border-line-dark bg-sheet py-1 shadow-lg [--anchor-gap:4px]"
        >
          <MenuItem>
            <button type="button" className={ITEM} onClick={onEdit}>
              Rename or edit
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={ITEM} onClick={onDuplicate}>
              Duplicate
            </button>
          </MenuItem>
          <MenuItem>
            <a className={ITEM} href={`/api/tunes/${tune.id}/export?format=musicxml`}>
              Save as MusicXML
            </a>
          </MenuItem>
          <MenuItem>
            <a className={ITEM} href={`/api/tunes/${tune.id}/export?format=abc`}>
              Save as ABC
            </a>
          </MenuItem>
          <MenuItem>
            <button type="button" className={`${ITEM} text-brick`} onClick={onDelete}>
              Delete
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </li>
  )
}
