import { useEffect, useEffectEvent } from 'react'

/** Runs an action for a key pressed anywhere but in a field, a menu or a dialog. */
export function useKeys(actions: Record<string, () => void>) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target as HTMLElement
    if (target.closest('input, textarea, select, [role="dialog"], [role="menu"], [data-own-keys]')) return
    // A focused button keeps its own space bar.
    if (event.key === ' ' && target.closest('button, a, [role="radio"]')) return
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
