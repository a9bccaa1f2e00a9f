import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical } from 'lucide-react'
import { useMemo, type ReactNode } from 'react'

/** A hand that trembles does not drag. */
const STILL_PX = 6

/**
 * A list whose order is chosen by dragging: with the mouse, with a finger by the handle, or from the keyboard (the space
 * bar takes and puts down, arrows move, Esc takes back).
 */
export function SortedList<T>({
  label,
  className = '',
  things,
  idOf,
  nameOf,
  onMove,
  children,
}: {
  label: string
  className?: string
  things: readonly T[]
  idOf: (thing: T) => string
  /** What it is called when it is moved. */
  nameOf: (thing: T) => string
  /** One is put before another, or with null at the end. */
  onMove: (id: string, before: string | null) => void
  /** What stands in a row, with the handle to drag it by. */
  children: (thing: T, handle: ReactNode, at: number) => ReactNode
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: STILL_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const ids = things.map(idOf)
  const text = JSON.stringify(things.map((t) => [idOf(t), nameOf(t)]))
  const accessibility = useMemo(() => inWords(new Map(JSON.parse(text) as [string, string][])), [text])
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={accessibility}
      onDragEnd={({ active, over }) => {
        const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over?.id))]
        if (from < 0 || to < 0 || from === to) return
        onMove(String(active.id), ids[from < to ? to + 1 : to] ?? null)
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={label} className={className}>
          {things.map((thing, at) => (
            <SortedRow key={idOf(thing)} id={idOf(thing)} name={nameOf(thing)}>
              {(handle) => children(thing, handle, at)}
            </SortedRow>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  )
}

function SortedRow({ id, name, children }: { id: string; name: string; children: (handle: ReactNode) => ReactNode }) {
  const { setNodeRef, setActivatorNodeRef, listeners, attributes, transform, transition, isDragging } = useSortable({
    id,
  })
  const handle = (
    <button
      ref={setActivatorNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-label={`Move ${name}`}
      className="flex min-h-6 min-w-6 shrink-0 cursor-grab touch-none items-center justify-center text-line-dark hover:text-ink max-md:min-h-11 max-md:min-w-8"
    >
      <GripVertical size={16} aria-hidden="true" />
    </button>
  )
  return (
    <li
      ref={setNodeRef}
      data-step={id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-b border-line ${isDragging ? 'relative z-10 bg-paper opacity-80 shadow-lg' : ''}`}
    >
      {children(handle)}
    </li>
  )
}

/** What a screen reader is told. */
function inWords(names: ReadonlyMap<string, string>) {
  const name = (id: string | number) => names.get(String(id)) ?? ''
  const place = (id: string | number) => [...names.keys()].indexOf(String(id)) + 1
  return {
    screenReaderInstructions: {
      draggable:
        'The space bar takes it up, the arrow keys move it, the space bar puts it down, and escape puts it back.',
    },
    announcements: {
      onDragStart: ({ active }: { active: { id: string | number } }) =>
        `${name(active.id)} is taken up, place ${place(active.id)} of ${names.size}.`,
      onDragOver: ({ active, over }: Moving) =>
        over ? `${name(active.id)} would come to place ${place(over.id)} of ${names.size}.` : undefined,
      onDragEnd: ({ active, over }: Moving) =>
        over ? `${name(active.id)} is put down at place ${place(over.id)}.` : `${name(active.id)} stays where it was.`,
      onDragCancel: ({ active }: { active: { id: string | number } }) => `${name(active.id)} is back where it was.`,
    },
  }
}

type Moving = { active: { id: string | number }; over: { id: string | number } | null }
