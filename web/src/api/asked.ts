/** Everything that is asked of the server, by the first word of its key; what follows it tells one from another. */
export const ASKED = [
  // tunes and how they are read
  ...['tunes', 'deleted-tunes', 'tune', 'lines', 'check', 'reading', 'before', 'bowing', 'place', 'writing'],
  ...['staff-spots', 'place-picture'],
  // exercises, drills and cards
  ...['bench', 'exercise-kinds', 'sheets', 'deleted-sheets', 'drill', 'deal', 'cards', 'round-end'],
  // the writing desk
  ...['levels', 'tasks', 'task', 'look', 'pieces', 'piece-reading', 'booklet'],
  // classes and their lessons
  ...['classes', 'class-names', 'class', 'stages', 'learner-list', 'plan', 'learning', 'within', 'work', 'links'],
  ...['logbook', 'learner-log', 'lessons', 'lesson'],
  // a learner’s own pages
  ...['learn', 'learn-tune', 'learn-ladders', 'learn-sheet', 'learn-cards', 'learn-desk', 'learn-versions'],
  ...['learn-piece', 'learn-pieces'],
  // the room
  ...[
    'instruments',
    'keys',
    'value-names',
    'shapes',
    'taping',
    'styles',
    'deleted-styles',
    'style-example',
    'style-settings',
    'words',
  ],
  ...['keeping', 'health', 'me', 'teachers'],
] as const

export type Asked = (typeof ASKED)[number]

declare module '@tanstack/react-query' {
  interface Register {
    queryKey: readonly [Asked, ...unknown[]]
  }
}

const READINGS = ['reading', 'before', 'bowing'] as const
const TUNES = ['tunes', 'deleted-tunes', 'tune', ...READINGS, 'work', 'lessons', 'lesson', 'within'] as const
/** What the class that is chosen decides. */
const KNOWN = [
  ...['reading', 'before', 'tunes', 'class', 'learning', 'within', 'logbook', 'learner-log', 'work', 'lessons'],
  ...['lesson', 'class-names', 'deal', 'cards'],
] as const
const CLASSES = ['classes', 'class-names'] as const
const PIECES = ['pieces', 'booklet'] as const

/** Which answers may be others after a change, by what was changed. */
export const TOUCHED = {
  /** A style speaks on every screen. */
  style: ASKED,
  tune: TUNES,
  lines: [...TUNES, 'lines'],
  learnersLine: ['reading'],
  /** Fingers, octave or bow. */
  fingering: READINGS,
  /** A tune in another key, beside it. */
  tuneInOtherKey: ['tunes'],
  sheet: ['sheets', 'deleted-sheets'],
  task: ['tasks', 'task'],
  piece: PIECES,
  broughtPiece: [...PIECES, 'work'],
  booklet: ['booklet', 'piece-reading'],
  classes: CLASSES,
  class: [...CLASSES, ...KNOWN, 'plan'],
  known: [...KNOWN, 'plan'],
  /** The plan itself came back with the answer. */
  ticked: KNOWN,
  work: ['work', ...PIECES, 'logbook', 'learner-log'],
  links: ['links'],
  minutes: ['logbook', 'learner-log'],
  lessons: ['lessons'],
  teachers: ['teachers', 'me'],
  signedIn: ['me'],
  nothing: [],
} as const satisfies Record<string, readonly Asked[]>

export type Changed = keyof typeof TOUCHED
