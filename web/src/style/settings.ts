import type { HouseStyle, Instrument } from '../api/client'

type ChoiceKey =
  | 'lowHigh'
  | 'extendedFourth'
  | 'celloBack'
  | 'fourthFinger'
  | 'noteNames'
  | 'octaveNames'
  | 'counting'
  | 'compound'
  | 'valueNames'
  | 'loudBow'
  | 'afterLongRest'

/** One thing that schools do differently, in plain words, with its choices. */
export type Setting = {
  /** Its name among the examples. */
  key: string
  label: string
  about: string
  options: { value: string; label: string }[]
  value: (style: HouseStyle) => string
  chosen: (style: HouseStyle, value: string) => HouseStyle
}

const CHOICES: { key: ChoiceKey; label: string; about: string; options: { value: string; label: string }[] }[] = [
  {
    key: 'fourthFinger',
    label: 'Open string or fourth finger',
    about: 'Violin and viola, where both sound the same.',
    options: [
      { value: 'openFirst', label: 'Open first' },
      { value: 'balanced', label: 'Balanced' },
      { value: 'fourthFirst', label: 'Fourth first' },
    ],
  },
  {
    key: 'lowHigh',
    label: 'Low and high fingers',
    about: 'How a finger off its regular place is printed.',
    options: [
      { value: 'letters', label: 'L2 H3' },
      { value: 'arrows', label: '↓2 ↑3' },
      { value: 'words', label: 'low 2' },
    ],
  },
  {
    key: 'extendedFourth',
    label: 'Violin and viola, fourth finger reaching',
    about: 'One letter farther than it stands: C on the E string.',
    options: [
      { value: 'x4', label: 'x4' },
      { value: 'fourPlus', label: '4+' },
      { value: 'words', label: 'reach 4' },
    ],
  },
  {
    key: 'celloBack',
    label: 'Cello, first finger reaching back',
    about: 'Some print an extended, some a low first finger.',
    options: [
      { value: 'x1', label: 'x1' },
      { value: 'l1', label: 'L1' },
    ],
  },
  {
    key: 'noteNames',
    label: 'Note names',
    about: 'German prints B as H and B flat as B.',
    options: [
      { value: 'english', label: 'A B C' },
      { value: 'german', label: 'A H C' },
      { value: 'fixedDo', label: 'la si do' },
    ],
  },
  {
    key: 'octaveNames',
    label: 'Octaves',
    about: 'When a tune has a letter twice.',
    options: [
      { value: 'highLow', label: 'high D' },
      { value: 'number', label: 'D5' },
      { value: 'none', label: 'only D' },
    ],
  },
  {
    key: 'counting',
    label: 'Counting',
    about: 'What is said under the notes.',
    options: [
      { value: 'numbers', label: '1 & 2 &' },
      { value: 'ta', label: 'ta ti-ti' },
      { value: 'te', label: '1-te 2-te' },
      { value: 'words', label: 'Words' },
    ],
  },
  {
    key: 'compound',
    label: '6/8 and its kind',
    about: 'Counted in eighths or in dotted beats.',
    options: [
      { value: 'eighths', label: 'Eighths' },
      { value: 'dottedBeats', label: 'Dotted beats' },
    ],
  },
  {
    key: 'valueNames',
    label: 'Note values',
    about: 'What the lengths are called.',
    options: [
      { value: 'american', label: 'Quarter, half' },
      { value: 'british', label: 'Crotchet, minim' },
    ],
  },
  {
    key: 'loudBow',
    label: 'Louder means',
    about: 'More weight, and a bow that is',
    options: [
      { value: 'heavierFaster', label: 'Faster' },
      { value: 'heavierSlower', label: 'Slower' },
    ],
  },
  {
    key: 'afterLongRest',
    label: 'After a bar of rest',
    about: 'Which way the bow starts again.',
    options: [
      { value: 'retakeDown', label: 'Down again' },
      { value: 'goOn', label: 'Go on alternating' },
    ],
  },
]

/** So many of the choices are about fingers. */
const FINGER_SETTINGS = 4

const PLAIN: Setting[] = CHOICES.map((c) => ({
  ...c,
  value: (style) => style[c.key] ?? '',
  chosen: (style, value) => ({ ...style, [c.key]: value }) as HouseStyle,
}))

/** How an instrument is fingered, where schools differ in that. */
const fingersOf = (instrument: Instrument): Setting => ({
  key: `alternatives.${instrument.id}`,
  label: `${instrument.name} fingers`,
  about: 'The same places under other fingers.',
  options: instrument.alternatives.map((a) => ({ value: a.name, label: a.label })),
  value: (style) => style.alternatives?.[instrument.id] ?? instrument.alternatives[0]?.name ?? '',
  chosen: (style, value) => ({ ...style, alternatives: { ...style.alternatives, [instrument.id]: value } }),
})

/** All settings that are one choice each: about fingers first, then names, counting and bow. */
export const settingsFor = (instruments: readonly Instrument[]): Setting[] => [
  ...PLAIN.slice(0, FINGER_SETTINGS),
  ...instruments.filter((i) => i.alternatives.length > 1).map(fingersOf),
  ...PLAIN.slice(FINGER_SETTINGS),
]
