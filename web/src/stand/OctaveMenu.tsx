import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import type { Reading } from '../api/client'

type OctaveChoice = Reading['octaveChoices'][number]

const notes = (n: number) => (n === 1 ? 'one note' : `${n} notes`)

/** What an octave leaves out, in words. */
const leaves = (c: OctaveChoice) =>
  c.outOfReach > 0
    ? `${notes(c.outOfReach)} out of reach`
    : c.beyond > 0
      ? `${notes(c.beyond)} beyond the class`
      : 'every note in reach'

/** The octave that the tune is read in, and the others to choose from. */
export function OctaveMenu({ reading, onOctave }: { reading: Reading; onOctave: (octaves: number | null) => void }) {
  const now = reading.octaveChoices.find((c) => c.octaves === reading.octaves)
  if (reading.octaveChoices.length < 2) return null
  return (
    <Menu>
      <MenuButton className="font-bold text-spruce underline underline-offset-4">
        Octave: {now?.words ?? 'as printed'}
      </MenuButton>
      <MenuItems
        anchor="bottom start"
        className="z-20 rounded-md border border-line-dark bg-sheet py-1 shadow-md focus:outline-none"
      >
        {reading.octaveChoices.map((c) => (
          <MenuItem key={c.octaves}>
            <button
              type="button"
              onClick={() => onOctave(c.octaves)}
              aria-current={c.octaves === reading.octaves ? 'true' : undefined}
              className="flex w-full items-baseline justify-between gap-6 px-4 py-1.5 text-left data-focus:bg-maple-pale"
            >
              <span className={c.octaves === reading.octaves ? 'font-bold' : ''}>{c.words}</span>
              <span className="text-sm text-soft">{leaves(c)}</span>
            </button>
          </MenuItem>
        ))}
        {reading.octaveChosen && (
          <MenuItem>
            <button
              type="button"
              onClick={() => onOctave(null)}
              className="w-full border-t border-line px-4 py-1.5 text-left data-focus:bg-maple-pale"
            >
              Let Coppia choose
            </button>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  )
}
