import { expect, test } from 'vitest'
import { evenLines } from './evenLines'

/**
 * Pages parted by a bar line, lines by a blank, one letter a bar; the breaks that are asked for written the same way.
 */
function even(written: string) {
  const pages = written.split('|').map((page) => ({
    systems: page
      .trim()
      .split(' ')
      .map((line) => Array.from(line)),
  }))
  const breaks = evenLines(pages)
  if (!breaks) return null
  return Array.from(written.replaceAll(/[ |]/g, ''))
    .map((bar) => (breaks.pages.has(bar) ? `|${bar}` : breaks.lines.has(bar) ? ` ${bar}` : bar))
    .join('')
}

test.each([
  ['abcd efgh', null], // nothing to mend
  ['a', null], // the only bar there is
  ['abcd e', 'abc de'],
  ['abcdef g', 'abcd efg'],
  ['ab c', 'a bc'],
  ['abcd efgh i', 'abcd efg hi'],
  ['abcd e|fghi', 'abc de|fghi'], // in the middle too
  ['abcd efgh|i', 'abcd efg|hi'], // a page of one bar
  ['ab cd|e', null], // the page before would end on one
  ['abc defg|hi j', 'abc defg|h ij'],
  ['a b c', null], // bars as wide as the page
  ['abcd e|f', 'abc de|f'], // a bar for the page that can get one
])('%s becomes %s', (written, wanted) => expect(even(written)).toBe(wanted))
