import { useEffect, useEffectEvent } from 'react'
import { focusScreen } from './focus'

const ARROWS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']

/** Fields by what they keep for themselves; every other key is the screen’s. */
const KEEP: Readonly<Record<string, (key: string) => boolean>> = {
  checkbox: (key) => key === ' ',
  radio: (key) => key === ' ' || ARROWS.includes(key),
  range: (key) => key.length > 1 && key !== 'Escape',
  // Letters and figures look for a choice.
  select: (key) => key !== 'Escape',
}

/** True where a key is the focused control's own. */
export function keepsKey(target: Element, key: string) {
  if (target.closest('[role="dialog"], [role="menu"]')) return true
  const field = target.closest('input, textarea, select, [contenteditable="true"]')
  if (field) {
    const kind = field instanceof HTMLInputElement ? field.type : field.localName
    return KEEP[kind]?.(key) ?? true
  }
  // What was reached with the keyboard is pressed with it too.
  return key === ' ' && target.closest('button, a, [role="radio"], [role="button"], [role="tab"]') !== null
}

/** Esc leaves whatever has the focus: the screen’s keys work again. */
export function leaveByEsc(event: KeyboardEvent) {
  const isOpen = (event.target as Element).closest('[role="dialog"], [role="menu"]')
  if (event.key === 'Escape' && !isOpen) focusScreen()
}

/** Runs an action for a key pressed anywhere but in a field, a menu or a dialog. Esc leaves whatever has the focus. */
export function useKeys(actions: Record<string, () => void>) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target as HTMLElement
    leaveByEsc(event)
    if (keepsKey(target, event.key)) return
    const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!action) return
    event.preventDefault()
    action()
  })
  useEffect(() => {
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
