import { Button } from '../ui/Button'
import { Fold } from '../ui/Fold'
import { useSmall } from '../ui/useSmall'
import { GROUPS, VALUES } from './signs'
import { StaffSettings } from './StaffSettings'
import type { Writing } from './useWriting'

const shownKey = (key: string) => (key.length === 1 ? key.toUpperCase() : key)

/** Values and signs to press; the keys beside them do the same. */
export function Palette({ writing }: { writing: Writing }) {
  const { value, anchor } = writing.view.state
  const step = writing.step
  const small = useSmall()
  const signs = (
    <>
      {GROUPS.map((group) => (
        <div key={group.name} role="group" aria-label={group.name} className="flex flex-wrap gap-1">
          {group.signs.map((sign) => (
            <Press
              key={sign.key}
              label={sign.label}
              shown={sign.shown ?? shownKey(sign.key)}
              onPress={() => void step(sign.command)}
            />
          ))}
        </div>
      ))}
      {small && <StaffSettings writing={writing} />}
    </>
  )
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1.5 border-b border-line px-3 py-2 md:px-6">
      <div
        role="group"
        aria-label={anchor ? 'Value of what is selected' : 'Value of the next note'}
        className="flex flex-wrap gap-1"
      >
        {VALUES.map((v) => (
          <Press
            key={v.log}
            label={v.label}
            pressed={value.log === v.log}
            onPress={() => void step({ do: 'value', by: v.log })}
          />
        ))}
        <Press label="dotted" shown="." pressed={value.dots > 0} onPress={() => void step({ do: 'dot' })} />
        <Press label="triplet" shown="Y" pressed={value.triplet} onPress={() => void step({ do: 'triplet' })} />
      </div>
      {small ? <Fold button="Signs">{signs}</Fold> : signs}
      <div role="group" aria-label="Changes" className="flex flex-wrap gap-1">
        <Press label="Take out" shown="⌫" onPress={() => void step({ do: 'delete' })} />
        <Button size="small" onClick={() => void writing.undo()}>
          Undo
        </Button>
        <Button size="small" onClick={() => void writing.redo()}>
          Redo
        </Button>
      </div>
    </div>
  )
}

function Press({
  label,
  shown,
  pressed,
  onPress,
}: {
  label: string
  /** The key that does the same. */
  shown?: string
  pressed?: boolean
  onPress: () => void
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={onPress}
      className="flex min-h-8 items-center gap-1.5 rounded-md border border-line-dark bg-sheet px-2 text-sm hover:bg-maple-pale aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:font-bold aria-pressed:text-paper max-md:min-h-11 max-md:px-1.5 pointer-coarse:min-h-11"
    >
      {label}
      {shown && (
        <span className="text-xs opacity-70 max-md:hidden" aria-hidden="true">
          {shown}
        </span>
      )}
    </button>
  )
}
