import type { Reading } from '../api/client'
import { countIn, scheduleOf, type Schedule } from './schedule'
import type { TimeEntry } from '../engraving/engraver'
import type { Sound, Synth } from './synth'

const AHEAD_SECONDS = 0.25
const TICK_MS = 40
/** From when all is laid down to the first sound: as long as it takes the sound device to hear of it. */
const BREATH_SECONDS = 0.03
const TAP_SECONDS = 0.01
const TAP_LENGTH_SECONDS = 0.5
/** What is laid down at a time, in quarters, and what is less than any note. */
const PIECE = 0.25
const MOMENT = 0.0001

export type Loop = { from: string; to: string } | null

/** What may change while the tune plays. Tempo in quarters a minute. */
export type PlaySettings = { tempo: number; sound: Sound; countIn: boolean; metronome: boolean; loop: Loop }

/** What a player tells. */
export type Listener = {
  /** The note that sounds now. */
  onNote: (noteId: string) => void
  /** True from the wish to play until it ends, also while it is being prepared. */
  onPlaying: (playing: boolean) => void
  /** Why nothing sounds. */
  onProblem: (why: string) => void
}

/** Whoever plays; another that begins ends it, so that there is one at most in the whole program. */
let atWork: Player | null = null
const takeOver = (player: Player) => {
  if (atWork !== player) atWork?.stop()
  atWork = player
}

/** Plays a tune. The last wish counts: whatever was begun or still being prepared before it ends in silence. */
export class Player {
  private wish = 0
  private timer: ReturnType<typeof setInterval> | undefined
  private synth: Synth | null = null
  private isPlaying = false
  private level = 1

  constructor(
    private readonly hire: (volume: number) => Synth,
    private readonly timesOf: (musicXml: string) => Promise<TimeEntry[]>,
    private settings: PlaySettings,
    private listener: Listener,
  ) {}

  get playing() {
    return this.isPlaying
  }

  /** Plays on in other settings and tells another. */
  follow(settings: PlaySettings, listener: Listener = this.listener) {
    this.settings = settings
    this.listener = listener
  }

  /** @param value From 0 to 1. */
  setVolume(value: number) {
    this.level = value
    if (this.synth) this.synth.volume = value
  }

  /** Begins at a note, or at the beginning; in a loop never outside it. */
  play(reading: Reading, from: string | undefined) {
    return this.begin(async () => scheduleOf(await this.timesOf(reading.musicXml), reading), from)
  }

  /** Plays notes whose times are known. */
  playNotes(schedule: Schedule, from: string | undefined) {
    return this.begin(() => Promise.resolve(schedule), from)
  }

  private async begin(prepare: () => Promise<Schedule>, from: string | undefined) {
    this.stop()
    const wish = ++this.wish
    takeOver(this)
    this.tell(true)
    try {
      const synth = this.sounds()
      await synth.context.resume()
      const schedule = await prepare()
      if (wish === this.wish) this.run(synth, schedule, from)
    } catch (problem) {
      if (wish !== this.wish) return
      this.stop()
      this.listener.onProblem(problem instanceof Error ? problem.message : String(problem))
    }
  }

  /** Sounds one note at once, in place of whatever plays. */
  tap(midi: number) {
    this.stop()
    takeOver(this)
    const synth = this.sounds()
    void synth.context.resume()
    synth.note(midi, synth.now + TAP_SECONDS, TAP_LENGTH_SECONDS, 'plucked')
  }

  /** Ends what plays or is about to; the drone goes on. */
  stop() {
    this.wish++
    clearInterval(this.timer)
    this.timer = undefined
    this.synth?.silence()
    this.tell(false)
  }

  /** Holds a tone until another is asked for; null ends it. */
  drone(midi: number | null) {
    if (midi !== null) this.sounds().drone(midi)
    else this.synth?.drone(null)
  }

  /** Silence, and the sound device given back. It can play again. */
  close() {
    this.stop()
    this.synth?.close()
    this.synth = null
    if (atWork === this) atWork = null
  }

  private sounds() {
    return (this.synth ??= this.hire(this.level))
  }

  private tell(playing: boolean) {
    if (playing === this.isPlaying) return
    this.isPlaying = playing
    this.listener.onPlaying(playing)
  }

  private run(synth: Synth, schedule: Schedule, fromNote: string | undefined) {
    const place = (id: string | undefined) => schedule.notes.find((n) => n.noteId === id)
    const range = () => {
      const { loop } = this.settings
      const from = loop ? (place(loop.from)?.at ?? 0) : 0
      // In a repeated section the loop ends the first time through.
      const last = loop && schedule.notes.find((n) => n.noteId === loop.to && n.at >= from)
      return loop && last ? { from, to: last.at + last.length } : { from: 0, to: schedule.end }
    }
    const start = range()
    const wished = place(fromNote)?.at ?? 0
    let at = wished >= start.from && wished < start.to ? wished : start.from
    let clock = synth.now + BREATH_SECONDS
    const seconds = (quarters: number) => (quarters * 60) / this.settings.tempo
    if (this.settings.countIn) {
      const { beat, clicks } = countIn(schedule, at)
      clicks.forEach((strong, k) => synth.click(clock + seconds(k * beat), strong))
      clock += seconds(clicks.length * beat)
    }
    const shown: { id: string; at: number }[] = []
    const layDown = () => {
      // Tempo, loop and metronome may change while the tune plays: a short piece at a time is laid down.
      while (clock < synth.now + AHEAD_SECONDS) {
        const { from, to } = range()
        if (at < from - MOMENT) at = from
        const piece = Math.min(to - at, PIECE)
        if (piece <= MOMENT) {
          if (!this.settings.loop || to - from <= MOMENT) break
          at = from
          continue
        }
        const within = (q: number) => q >= at - MOMENT && q < at + piece - MOMENT
        for (const n of schedule.notes.filter((x) => within(x.at))) {
          const when = clock + seconds(n.at - at)
          if (n.midi !== null) synth.note(n.midi, when, seconds(n.length), n.plucked ? 'plucked' : this.settings.sound)
          shown.push({ id: n.noteId, at: when })
        }
        for (const b of schedule.beats.filter((x) => within(x.at)))
          if (this.settings.metronome || b.countsIn) synth.click(clock + seconds(b.at - at), b.strong)
        at += piece
        clock += seconds(piece)
      }
      while (shown[0] && shown[0].at <= synth.now) {
        const due = shown.shift()
        if (due) this.listener.onNote(due.id)
      }
      if (!this.settings.loop && at >= schedule.end - MOMENT && synth.now > clock) this.stop()
    }
    this.timer = setInterval(layDown, TICK_MS)
    layDown()
  }
}
