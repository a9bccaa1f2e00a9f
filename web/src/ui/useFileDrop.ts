import { useEffect, useEffectEvent, useState } from 'react'

/** Files that are dropped anywhere on the window. True while some are held over it. */
export function useFileDrop(take: (files: readonly File[]) => void) {
  const [over, setOver] = useState(false)
  const onOver = useEffectEvent((event: DragEvent) => {
    if (!event.dataTransfer?.types.includes('Files')) return
    event.preventDefault()
    setOver(true)
  })
  const onLeave = useEffectEvent((event: DragEvent) => {
    // Within the window it goes from one thing to another.
    if (event.relatedTarget === null) setOver(false)
  })
  const onDrop = useEffectEvent((event: DragEvent) => {
    setOver(false)
    const files = [...(event.dataTransfer?.files ?? [])]
    if (files.length === 0) return
    event.preventDefault()
    take(files)
  })
  useEffect(() => {
    document.addEventListener('dragover', onOver)
    document.addEventListener('dragleave', onLeave)
    document.addEventListener('drop', onDrop)
    return () => {
      document.removeEventListener('dragover', onOver)
      document.removeEventListener('dragleave', onLeave)
      document.removeEventListener('drop', onDrop)
    }
  }, [])
  return over
}
