/** Where text may be dropped. */
const TEXT = 'textarea, input'

/**
 * Takes what is dropped on the window and that nobody wants, so that the browser never leaves Coppia for a file or a
 * link.
 */
export function catchDrops() {
  for (const kind of ['dragover', 'drop'] as const)
    window.addEventListener(kind, (event) => {
      const isFile = event.dataTransfer?.types.includes('Files') ?? false
      if (event.defaultPrevented || (!isFile && event.target instanceof Element && event.target.closest(TEXT))) return
      event.preventDefault()
      if (event.dataTransfer && kind === 'dragover') event.dataTransfer.dropEffect = 'none'
    })
}
