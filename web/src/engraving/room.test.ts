import { beforeAll, expect, test } from 'vitest'
import { VerovioToolkit } from 'verovio/esm'
import createVerovioModule from 'verovio/wasm'
import type { Engravable, Reading } from '../api/client'
import { engravingOptions, rowScale, rowSize, type RowId } from './layout'
import { withRoom, wordsHeight, type Breaks } from './room'

type Music = Engravable & Pick<Reading, 'musicXml' | 'slots'>

/**
 * One bar of quarters with a rest after them, with these pairs, as the server writes it: each place is where the text
 * is so long.
 */
function bar(...labels: string[]): Music {
  const slots: { notes: Record<string, number>; bars: Reading['slots']['bars']; words: Reading['slots']['words'] } = {
    notes: {},
    bars: {},
    words: [],
  }
  let xml =
    '<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1">'
  const mark = () => xml.length
  xml += '<measure number="1" id="b1">'
  const from = mark()
  xml += '<print new-system="yes"/>'
  slots.bars.b1 = { from, to: mark() }
  xml += `<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>${labels.length + 1}</beats>`
  xml += '<beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>'
  xml += '<direction placement="above"><direction-type><words>'
  const words = mark()
  xml += 'gently'
  slots.words = [{ from: words, to: mark() }]
  xml += '</words></direction-type></direction>'
  labels.forEach((_, i) => {
    xml += `<note id="n${i}"><pitch><step>D</step><octave>5</octave></pitch><duration>1</duration><type>quarter</type>`
    slots.notes[`n${i}`] = mark()
    xml += '</note>'
  })
  xml += '<note id="r"><rest/><duration>1</duration><type>quarter</type></note></measure></part></score-partwise>'
  return {
    musicXml: xml,
    slots,
    bars: [],
    counts: [],
    notes: labels.map((label, i) => ({ id: `n${i}`, bar: 1, label, name: 'D', sign: '', start: i, isGrace: false })),
  } as unknown as Music
}

let engraver: VerovioToolkit
beforeAll(async () => {
  engraver = new VerovioToolkit(await createVerovioModule())
})

/** Where the engraver puts the heads of the notes, in CSS pixels. */
function heads(music: Music, rows: readonly RowId[]) {
  engraver.setOptions({ ...engravingOptions(2000, rows), breaks: 'none', adjustPageWidth: true })
  expect(engraver.loadData(withRoom(music, rows))).toBeTruthy()
  const svg = engraver.renderToSVG(1)
  const unit = Number(/<svg width="(\d+)px"/.exec(svg)?.[1]) / Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1])
  return music.notes.map(({ id }) => {
    const head = svg.slice(svg.indexOf(`id="${id}"`))
    return Number(/translate\((\d+)/.exec(head)?.[1]) * unit
  })
}

/** Without a browser a letter is reckoned as six tenths of its size; those before a pair's sign are smaller. */
const widthOf = (label: string) => label.length * rowSize('pair') * rowScale() * 0.74 * 0.6

test.each([
  ['short ones', ['D0', 'D1', 'D2', 'D3']],
  ['long ones', ['D reach 4', 'A low 2', 'G high 3', 'E reach 4']],
  ['long beside short', ['D reach 4', 'D0', 'D0', 'A reach 4']],
])('in the engraver’s picture no pair touches the next: %s', (_, labels) => {
  const at = heads(bar(...labels), ['pair'])
  for (let i = 1; i < at.length; i++) {
    const needed = (widthOf(labels[i - 1] ?? '') + widthOf(labels[i] ?? '')) / 2
    expect((at[i] ?? 0) - (at[i - 1] ?? 0)).toBeGreaterThan(needed)
  }
})

test('without rows the engraver sets the notes as close as it likes', () => {
  const labels = ['D reach 4', 'A low 2', 'G high 3']
  const [close, wide] = [heads(bar(...labels), []), heads(bar(...labels), ['pair'])]
  expect((close[1] ?? 0) - (close[0] ?? 0)).toBeLessThan((wide[1] ?? 0) - (wide[0] ?? 0))
})

const NO_BREAKS: Breaks = { lines: new Set(), pages: new Set() }

test('breaks are written in place of the tune’s own', () => {
  const music = bar('D0')
  expect(withRoom(music, [])).toContain('<measure number="1" id="b1"><print new-system="yes"/><attributes>')
  const broken = (breaks: Breaks) => withRoom(music, [], undefined, breaks)
  expect(broken(NO_BREAKS)).toContain('<measure number="1" id="b1"><attributes>')
  expect(broken({ ...NO_BREAKS, pages: new Set(['b1']) })).toContain('id="b1"><print new-page="yes"/><attributes>')
  expect(broken({ ...NO_BREAKS, lines: new Set(['b1']) })).toContain('id="b1"><print new-system="yes"/><attributes>')
})

test('words over the staff are followed by blanks, for the engraver takes them for narrower than they are', () =>
  expect(withRoom(bar('D0'), [])).toMatch(/<words>gently\u00a0+<\/words>/))

test('words that do not fit on one line take the height of more', () => {
  expect(wordsHeight('', 700)).toBe(0)
  const one = wordsHeight('Crossings: A to D in bar 3.', 700)
  expect(one).toBeGreaterThan(0)
  expect(wordsHeight('Crossings: A to D in bar 3. '.repeat(12).trim(), 700) / one).toBeGreaterThanOrEqual(3)
})
