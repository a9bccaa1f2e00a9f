import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { useDeferredValue, useState } from 'react'
import type { TuneSummary } from '../api/client'
import { ALL_TUNES, useTune, useTunes } from './queries'

const NONE = 'no tune'

/** One tune of the library, or none: found by the beginnings of its words, so that thousands need no list. */
export function TuneField({ value, onChoose }: { value: number | null; onChoose: (id: number | null) => void }) {
  const [search, setSearch] = useState('')
  const chosen = useTune(value).data?.summary ?? null
  const found = useTunes({ ...ALL_TUNES, search: useDeferredValue(search) }).data
  const shown = found?.tunes.slice(0, 20) ?? []
  const more = (found?.total ?? 0) - shown.length
  return (
    <Combobox<TuneSummary | null>
      value={chosen}
      by={(a, b) => a?.id === b?.id}
      onChange={(tune) => onChoose(tune?.id ?? null)}
      onClose={() => setSearch('')}
      immediate
    >
      <ComboboxInput
        aria-label="From which tune"
        displayValue={(tune: TuneSummary | null) => tune?.title ?? NONE}
        onChange={(e) => setSearch(e.target.value === NONE ? '' : e.target.value)}
        onFocus={(e) => e.target.select()}
        className="min-h-6 w-44 rounded-md border border-line-dark bg-sheet px-2 py-1 text-base font-normal text-ink max-md:min-h-11"
      />
      <ComboboxOptions
        anchor="bottom start"
        className="z-20 max-h-72! w-72 overflow-y-auto rounded-md border border-line-dark bg-paper py-1 shadow-lg [--anchor-gap:4px] empty:hidden"
      >
        {/* Whoever searches wants one: Enter takes the first that is found. */}
        {search === '' && <Option tune={null} />}
        {shown.map((tune) => (
          <Option key={tune.id} tune={tune} />
        ))}
        {more > 0 && (
          <p className="px-3 py-1 text-sm text-soft">{more} more: type the beginning of a word of the title.</p>
        )}
      </ComboboxOptions>
    </Combobox>
  )
}

const Option = ({ tune }: { tune: TuneSummary | null }) => (
  <ComboboxOption
    value={tune}
    className="cursor-pointer truncate px-3 py-1 text-ink data-focus:bg-maple-pale data-selected:font-bold max-md:py-2.5"
  >
    {tune?.title ?? NONE}
  </ComboboxOption>
)
