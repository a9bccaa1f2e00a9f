import type { components } from '../api/schema'

export type DeskTask = components['schemas']['DeskTask']
export type PieceDoc = components['schemas']['PieceDoc']
export type DeskNote = components['schemas']['NoteDoc']
export type CheckView = components['schemas']['CheckView']
export type PaletteNote = components['schemas']['PaletteNote']

/** A note or rest in its bar, both from 0. */
export type Place = { bar: number; at: number }

/** Where the next note goes: before the note of this order in its bar. */
export type Caret = Place

export const samePlace = (a: Place | null, b: Place | null) => a?.bar === b?.bar && a?.at === b?.at

export const isRest = (note: DeskNote) => note.note === null && !note.hand

/** Sixty-fourths of a whole note. */
export const lengthOf = (task: DeskTask, note: Pick<DeskNote, 'value'>) => {
  const known = task.values.find((v) => v.value === note.value)
  if (known) return known.length
  const [above = 1, below = 4] = note.value.split('/').map(Number)
  return (64 * above) / below
}

export const barLength = (task: DeskTask, bar: readonly DeskNote[]) =>
  bar.reduce((sum, note) => sum + lengthOf(task, note), 0)

/** The given notes of a bar: how many stand at its beginning and at its end. */
export const given = (task: DeskTask, bar: number) => {
  const here = task.given.filter((g) => g.bar === bar + 1)
  return { first: here.filter((g) => g.at === 'first').length, last: here.filter((g) => g.at === 'last').length }
}

export const isGiven = (task: DeskTask, piece: PieceDoc, { bar, at }: Place) => {
  const { first, last } = given(task, bar)
  const count = piece.bars[bar]?.length ?? 0
  return at < first || at >= count - last
}

/**
 * The place where a note may go that is nearest to one that was asked for: never before a given first note nor behind a
 * given last one.
 */
export const within = (task: DeskTask, piece: PieceDoc, { bar, at }: Caret): Caret => {
  const here = Math.min(Math.max(0, bar), piece.bars.length - 1)
  const { first, last } = given(task, here)
  const count = piece.bars[here]?.length ?? 0
  return { bar: here, at: Math.min(Math.max(first, at), Math.max(first, count - last)) }
}

/** The first place where something is missing; the end where nothing is. */
export function firstOpen(task: DeskTask, piece: PieceDoc): Caret {
  const open = piece.bars.findIndex((bar) => barLength(task, bar) < task.barLength)
  return within(task, piece, { bar: open < 0 ? piece.bars.length - 1 : open, at: Infinity })
}

/** The caret behind a note; where its bar is full, at the next open one. */
export function after(task: DeskTask, piece: PieceDoc, { bar, at }: Place): Caret {
  const full = barLength(task, piece.bars[bar] ?? []) >= task.barLength
  const next = within(task, piece, { bar, at: at + 1 })
  if (!full || next.at < (piece.bars[bar]?.length ?? 0) - given(task, bar).last || bar + 1 >= piece.bars.length)
    return next
  return within(task, piece, { bar: bar + 1, at: 0 })
}

const changed = (piece: PieceDoc, bar: number, notes: readonly DeskNote[]): PieceDoc => ({
  bars: piece.bars.map((b, i) => (i === bar ? [...notes] : b)),
})

export const put = (task: DeskTask, piece: PieceDoc, caret: Caret, note: DeskNote) => {
  const { bar, at } = within(task, piece, caret)
  const notes = [...(piece.bars[bar] ?? [])]
  notes.splice(at, 0, note)
  return { piece: changed(piece, bar, notes), at: { bar, at } }
}

/** Takes a note out; a given one stays. */
export const without = (task: DeskTask, piece: PieceDoc, place: Place): PieceDoc =>
  isGiven(task, piece, place)
    ? piece
    : changed(
        piece,
        place.bar,
        (piece.bars[place.bar] ?? []).filter((_, i) => i !== place.at),
      )

/** Changes a note; a given one stays. */
export const withNote = (
  task: DeskTask,
  piece: PieceDoc,
  place: Place,
  change: (note: DeskNote) => DeskNote,
): PieceDoc =>
  isGiven(task, piece, place)
    ? piece
    : changed(
        piece,
        place.bar,
        (piece.bars[place.bar] ?? []).map((note, i) => (i === place.at ? change(note) : note)),
      )

export const noteAt = (piece: PieceDoc, place: Place | null) =>
  place === null ? undefined : piece.bars[place.bar]?.[place.at]

/** The note before a caret, in its bar or in those before it. */
export function before(piece: PieceDoc, { bar, at }: Caret): Place | null {
  if (at > 0) return { bar, at: at - 1 }
  for (let b = bar - 1; b >= 0; b--) {
    const count = piece.bars[b]?.length ?? 0
    if (count > 0) return { bar: b, at: count - 1 }
  }
  return null
}

/** What is written on the staff under this name. */
const written = (task: DeskTask, pitch: string | null) => task.written.find((w) => w.pitch === pitch)

/** Height on the staff in half-spaces above the bottom line; null for a rest. */
export const heightOf = (task: DeskTask, note: DeskNote): number | null =>
  note.hand ? note.hand.height : (written(task, note.note)?.height ?? null)

/** The pitch on a line or space with an accidental, or as the signature has it. */
export const pitchAt = (task: DeskTask, height: number, alter?: number) =>
  task.written.find((w) => w.height === height && (alter === undefined ? w.sign === null : w.alter === alter))?.pitch

/** What a note is read as; a head that was put by hand goes by the line or space that lies nearest. */
export const readAs = (task: DeskTask, note: DeskNote): string | null => {
  if (!note.hand) return note.note
  const { height, sign, signHeight } = note.hand
  const near = Math.round(height)
  const counts = sign !== null && Math.abs((signHeight ?? height) - near) <= 0.5
  return pitchAt(task, near, counts ? (sign ?? undefined) : undefined) ?? null
}

/** Sounding MIDI key; null for a rest. */
export const midiOf = (task: DeskTask, note: DeskNote): number | null => {
  const pitch = readAs(task, note)
  return task.palette.find((p) => p.pitch === pitch)?.midi ?? written(task, pitch)?.midi ?? null
}

/** The accidental that is drawn before a note: where the signature does not make it so. */
export const signOf = (task: DeskTask, note: DeskNote): number | null =>
  (note.hand ? note.hand.sign : written(task, note.note)?.sign) ?? null

/** The palette’s entry of a note, or the line or space that it lies on. */
export const nameOf = (task: DeskTask, note: DeskNote): { name: string; pair: string } | null => {
  const pitch = readAs(task, note)
  if (pitch === null) return null
  return task.palette.find((p) => p.pitch === pitch) ?? task.spots.find((s) => s.pitch === pitch) ?? null
}

/**
 * Another note of the palette for one, the next up or down; past the end it begins again. For a note outside the
 * palette the nearest on that side.
 */
export const elsewhere = (task: DeskTask, note: DeskNote, by: 1 | -1): PaletteNote | undefined => {
  const { palette } = task
  const at = palette.findIndex((p) => p.pitch === readAs(task, note))
  if (at >= 0) return palette[(at + by + palette.length) % palette.length]
  const height = heightOf(task, note) ?? 0
  return by > 0
    ? (palette.find((p) => p.height >= height) ?? palette[0])
    : (palette.findLast((p) => p.height <= height) ?? palette.at(-1))
}

export const restsOf = (piece: PieceDoc) => piece.bars.flat().filter(isRest).length

/** In what order and when it sounds, in quarters; a note’s id names its place. */
export function soundOf(task: DeskTask, piece: PieceDoc) {
  let at = 0
  return piece.bars.flatMap((bar, b) =>
    bar.flatMap((note, i) => {
      const [begins, length, midi] = [at, lengthOf(task, note) / 16, midiOf(task, note)]
      at += length
      return midi === null ? [] : [{ noteId: idOf({ bar: b, at: i }), at: begins, length, midi, plucked: false }]
    }),
  )
}

export const idOf = ({ bar, at }: Place) => `${bar}.${at}`

export const placeOf = (id: string): Place => {
  const [bar = 0, at = 0] = id.split('.').map(Number)
  return { bar, at }
}

/** Nothing written yet beside what is given. */
export const begun = (task: DeskTask): PieceDoc => ({
  bars: Array.from({ length: task.bars }, (_, bar) =>
    (['first', 'last'] as const).flatMap((at) =>
      task.given
        .filter((g) => g.bar === bar + 1 && g.at === at)
        .map((g) => ({ note: g.pitch, value: g.value, hand: null, stem: null })),
    ),
  ),
})

export const isEmpty = (task: DeskTask, piece: PieceDoc) =>
  piece.bars.every((bar, b) => bar.length <= given(task, b).first + given(task, b).last)
