import { alone, History } from '../history/history'
import { EMPTY, type Bench } from './sheet'

/** What a sheet is called and kept as: that holds for its earlier states too, and is not taken back. */
type Named = Pick<Bench, 'id' | 'version' | 'heading' | 'nameLine'>
/** What lies on the bench, and which of the sheets that lay there it is. */
type Lying = Omit<Bench, keyof Named> & { sheet: number }

const apart = ({ id, version, heading, nameLine, ...rest }: Bench) => ({
  named: { id, version, heading, nameLine },
  rest,
})

/** The bench and the steps that led there. */
export class BenchSteps {
  private readonly history = new History<Lying>()
  private readonly names = new Map<number, Named>()
  private lying: Lying
  bench: Bench

  /** @param before What lay on the bench before, to be brought back. */
  constructor(opened: Bench, before: Bench | null) {
    this.bench = before ?? opened
    const { named, rest } = apart(this.bench)
    this.lying = { sheet: before ? 0 : 1, ...rest }
    this.names.set(this.lying.sheet, named)
    if (before) this.lay(() => opened)
  }

  get sheet() {
    return this.lying.sheet
  }

  get canUndo() {
    return this.history.canUndo
  }

  get canRedo() {
    return this.history.canRedo
  }

  /** A change of a sheet; where another lies there by then, it comes too late. */
  change(sheet: number, change: (now: Bench) => Bench) {
    if (sheet === this.sheet) this.put(sheet, change(this.bench))
  }

  /** Another sheet in the place of this one. */
  lay(next: (now: Bench) => Bench) {
    this.put(Math.max(...this.names.keys()) + 1, next(this.bench))
  }

  /** A change of what a sheet is called or kept as; nothing to take back. */
  note(sheet: number, note: Partial<Named>) {
    const named = this.names.get(sheet)
    if (named) this.names.set(sheet, { ...named, ...note })
    this.show(this.lying)
  }

  undo() {
    const before = this.history.before(this.lying)
    if (!before) return
    this.history.undone()
    this.show(before.document)
  }

  redo() {
    const after = this.history.after(this.lying)
    if (!after) return
    this.history.redone()
    this.show(after.document)
  }

  private put(sheet: number, next: Bench) {
    const { named, rest } = apart(next)
    const lying = { sheet, ...rest }
    this.names.set(sheet, named)
    this.history.made(alone(this.lying), alone(lying))
    this.show(lying)
  }

  private show(lying: Lying) {
    const { sheet, ...rest } = lying
    this.lying = lying
    this.bench = { ...(this.names.get(sheet) ?? apart(EMPTY).named), ...rest }
  }
}
