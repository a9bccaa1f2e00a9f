import { useEffect, useEffectEvent } from 'react'
import { keepsKey } from '../ui/useKeys'

/** How a list of keys tells of them. */
export const UNDO_KEYS = 'U Ctrl+Z'
export const REDO_KEYS = 'Shift+U Ctrl+Y'
export const WITHOUT_LETTER = { undo: 'Ctrl+Z', redo: 'Ctrl+Y' }

/**
 * The keys of taking back and making again, the same on every screen: U and Ctrl+Z (on a Mac ⌘Z) take back; with the
 * shift key, and Ctrl+Y, they make again. In a field they are the field’s own.
 */
export function useHistoryKeys({
  undo,
  redo,
  byLetter = true,
}: {
  undo: () => void
  redo: () => void
  /** False where U writes something. */
  byLetter?: boolean
}) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.altKey || keepsKey(event.target as Element, event.key)) return
    const withCtrl = event.ctrlKey || event.metaKey
    const key = event.key.toLowerCase()
    const isUndo = withCtrl ? key === 'z' : byLetter && key === 'u'
    const isRedo = withCtrl && key === 'y'
    if (!isUndo && !isRedo) return
    event.preventDefault()
    if (isRedo || event.shiftKey) redo()
    else undo()
  })
  useEffect(() => {
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
