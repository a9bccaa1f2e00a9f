import { useWordRhythms } from './queries'

const NAMES: Record<string, string> = {
  '1': 'one long',
  '1/2 1/2': 'two halves',
  '1/4 1/4 1/4 1/4': 'four quick',
  '1/2 1/4 1/4': 'half, two quick',
  '1/4 1/4 1/2': 'two quick, half',
  '3/4 1/4': 'long, short',
  '1/4 3/4': 'short, long',
  '1/4 1/2 1/4': 'short, half, short',
  '1/3 1/3 1/3': 'three even',
  '2/3 1/3': 'of three: long, short',
  '1/3 2/3': 'of three: short, long',
}

/** The words that are counted with, one for each rhythm of a beat. */
export function WordRhythms({
  words,
  onChange,
}: {
  words: Record<string, string>
  onChange: (words: Record<string, string>) => void
}) {
  const shipped = useWordRhythms().data ?? []
  return (
    <section aria-label="Words for rhythms">
      <h2 className="font-body text-base font-bold">Words for the rhythms of a beat</h2>
      <p className="mb-1 text-sm text-soft">Part the syllables with hyphens, one for each note.</p>
      <ul className="flex flex-col gap-1.5 text-sm">
        {shipped.map((s) => (
          <li key={s.pattern}>
            <label className="flex items-center gap-2">
              <span className="w-36">{NAMES[s.pattern] ?? s.pattern}</span>
              <input
                value={words[s.pattern] ?? s.word}
                maxLength={60}
                onChange={(e) => {
                  const others = Object.fromEntries(Object.entries(words).filter(([pattern]) => pattern !== s.pattern))
                  onChange(e.target.value === s.word ? others : { ...others, [s.pattern]: e.target.value })
                }}
                className="w-40 rounded-md border border-line-dark bg-sheet px-2 py-1"
              />
            </label>
          </li>
        ))}
      </ul>
    </section>
  )
}
