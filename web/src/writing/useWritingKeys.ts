import { useEffect, useEffectEvent } from 'react'
import { useHistoryKeys } from '../history/useHistoryKeys'
import { keepsKey, leaveByEsc } from '../ui/useKeys'
import { GROUPS, OTHER_KEYS } from './signs'
import type { Writing } from './useWriting'

const COMMANDS = new Map([...GROUPS.flatMap((g) => g.signs), ...OTHER_KEYS].map((s) => [s.key, s.command]))
const LETTER = /^[a-g]$/i

/** Keys, cut, copy and paste on the writing staff. A key held down repeats. */
export function useWritingKeys({
  writing,
  onLetter,
  onHelp,
}: {
  writing: Writing
  onLetter: (letter: string) => void
  onHelp: () => void
}) {
  const stepOf = (key: string) => {
    const command = COMMANDS.get(key)
    return command && (() => void writing.step(command))
  }
  useHistoryKeys({ undo: () => void writing.undo(), redo: () => void writing.redo(), byLetter: false })
  const typed = (event: KeyboardEvent, key: string) => {
    if (event.key === '?') return onHelp
    if (LETTER.test(event.key)) return () => onLetter(event.key.toUpperCase())
    return (event.shiftKey && key.length > 1 ? stepOf(`Shift+${key}`) : undefined) ?? stepOf(key)
  }
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.altKey) return
    const target = event.target as HTMLElement
    const control = event.ctrlKey || event.metaKey
    const plain = event.key.length === 1 ? event.key.toLowerCase() : event.key
    leaveByEsc(event)
    if (keepsKey(target, event.key)) return
    const does = control ? stepOf(`Ctrl+${plain}`) : typed(event, plain)
    if (!does) return
    event.preventDefault()
    does()
  })
  const isElsewhere = (event: ClipboardEvent) => keepsKey(event.target as Element, 'v')
  const onCopy = useEffectEvent((event: ClipboardEvent) => {
    const { copied } = writing.view
    if (isElsewhere(event) || !copied) return
    event.preventDefault()
    event.clipboardData?.setData('text/plain', copied)
    if (event.type === 'cut') void writing.step({ do: 'delete' })
  })
  const onPaste = useEffectEvent((event: ClipboardEvent) => {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    if (isElsewhere(event) || text.trim() === '') return
    event.preventDefault()
    void writing.step({ do: 'paste', text })
  })
  useEffect(() => {
    window.addEventListener('keydown', onKey)
    document.addEventListener('copy', onCopy)
    document.addEventListener('cut', onCopy)
    document.addEventListener('paste', onPaste)
    return () => {
      window.removeEventListener('keydown', onKey)
      document.removeEventListener('copy', onCopy)
      document.removeEventListener('cut', onCopy)
      document.removeEventListener('paste', onPaste)
    }
  }, [])
}
