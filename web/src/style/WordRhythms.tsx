import { Input } from '../ui/Field'
import { useWordRhythms } from './queries'

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
            <label className="flex flex-wrap items-center gap-2">
              <span className="w-36">{s.name}</span>
              <Input
                size="strip"
                width="w-40 max-md:w-full"
                value={words[s.pattern] ?? s.word}
                maxLength={60}
                onChange={(e) => {
                  const others = Object.fromEntries(Object.entries(words).filter(([pattern]) => pattern !== s.pattern))
                  onChange(e.target.value === s.word ? others : { ...others, [s.pattern]: e.target.value })
                }}
              />
            </label>
          </li>
        ))}
      </ul>
    </section>
  )
}
