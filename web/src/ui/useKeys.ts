import { useEffect, useEffectEvent } from 'react'

/** Runs an action for a key pressed anywhere but in a field, a menu or a dialog. */
export function useKeys(actions: Record<string, () => void>) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target as HTMLElement
    if (target.closest('textarea, select, [role="dialog"], [role="menu"], [data-own-keys]')) return
    // A box to tick keeps only its space bar, a slider only the keys that move it; any other field keeps them all.
    const field = target.closest('input')
    if (field && !(field.type === 'checkbox' ? event.key !== ' ' : field.type === 'range' && event.key.length === 1))
      return
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
