import type { WritingCommand } from '../api/client'

/** What can be done to notes and bars: its word, its key, and what it asks for. */
export type SignKey = { key: string; label: string; shown?: string; command: WritingCommand }

const mark = (text: string): WritingCommand => ({ do: 'mark', text })

/** Values by halvings of the whole note. */
export const VALUES = [
  { log: 0, label: 'whole' },
  { log: 1, label: 'half' },
  { log: 2, label: 'quarter' },
  { log: 3, label: 'eighth' },
  { log: 4, label: '16th' },
] as const

export const GROUPS: readonly { name: string; signs: readonly SignKey[] }[] = [
  {
    name: 'Note',
    signs: [
      { key: 'r', label: 'Rest', command: { do: 'rest' } },
      { key: 'x', label: 'Sharp', command: { do: 'alter', by: 1 } },
      { key: 'v', label: 'Flat', command: { do: 'alter', by: -1 } },
      { key: 'n', label: 'Natural', command: { do: 'alter', by: 0 } },
      { key: 't', label: 'Tie', command: { do: 'tie' } },
      { key: 's', label: 'Slur', command: { do: 'slur' } },
    ],
  },
  {
    name: 'Height',
    signs: [
      { key: 'ArrowUp', shown: '↑', label: 'Step up', command: { do: 'step', by: 1 } },
      { key: 'ArrowDown', shown: '↓', label: 'Step down', command: { do: 'step', by: -1 } },
      { key: 'Shift+ArrowUp', shown: 'Shift ↑', label: 'Octave up', command: { do: 'octave', by: 1 } },
      { key: 'Shift+ArrowDown', shown: 'Shift ↓', label: 'Octave down', command: { do: 'octave', by: -1 } },
    ],
  },
  {
    name: 'Bow',
    signs: [
      { key: 'u', label: 'Up bow', command: mark('UpBow') },
      { key: 'i', label: 'Down bow', command: mark('DownBow') },
      { key: 'p', label: 'Short', command: mark('Staccato') },
      { key: 'k', label: 'Accent', command: mark('Accent') },
      { key: 'h', label: 'Hold', command: mark('Fermata') },
    ],
  },
  {
    name: 'Bar',
    signs: [
      { key: '<', label: 'Repeat from here', command: { do: 'repeatStart' } },
      { key: '>', label: 'Repeat to here', command: { do: 'repeatEnd' } },
      { key: '1', label: 'First ending', command: { do: 'ending', by: 1 } },
      { key: '2', label: 'Second ending', command: { do: 'ending', by: 2 } },
      { key: '|', label: 'Double barline', command: { do: 'double' } },
    ],
  },
]

/** Keys that ask for something else than a sign. */
export const OTHER_KEYS: readonly SignKey[] = [
  { key: '+', label: 'Longer', command: { do: 'longer', by: 1 } },
  { key: '=', label: 'Longer', command: { do: 'longer', by: 1 } },
  { key: '-', label: 'Shorter', command: { do: 'longer', by: -1 } },
  { key: '.', label: 'Dotted', command: { do: 'dot' } },
  { key: 'y', label: 'Triplet', command: { do: 'triplet' } },
  { key: 'ArrowLeft', label: 'Back', command: { do: 'move', by: -1 } },
  { key: 'ArrowRight', label: 'On', command: { do: 'move', by: 1 } },
  { key: 'Shift+ArrowLeft', label: 'Select back', command: { do: 'move', by: -1, select: true } },
  { key: 'Shift+ArrowRight', label: 'Select on', command: { do: 'move', by: 1, select: true } },
  { key: 'Home', label: 'To the beginning', command: { do: 'start' } },
  { key: 'End', label: 'To the end', command: { do: 'end' } },
  { key: 'Shift+Home', label: 'Select to the beginning', command: { do: 'start', select: true } },
  { key: 'Shift+End', label: 'Select to the end', command: { do: 'end', select: true } },
  { key: 'Backspace', label: 'Take out', command: { do: 'delete' } },
  { key: 'Delete', label: 'Take out what follows', command: { do: 'deleteForward' } },
  { key: 'Escape', label: 'Select nothing', command: { do: 'none' } },
  { key: 'Ctrl+a', label: 'Select all', command: { do: 'all' } },
]
