import createVerovioModule from 'verovio/wasm'
import { VerovioToolkit } from 'verovio/esm'

export type EngraveRequest = { ticket: number; xml: string; options: Record<string, unknown> }
export type EngraveAnswer = { ticket: number; pages?: string[]; error?: string }

let loaded = ''
const ready = createVerovioModule().then((module) => new VerovioToolkit(module))

self.onmessage = async (event: MessageEvent<EngraveRequest>) => {
  const { ticket, xml, options } = event.data
  try {
    const toolkit = await ready
    toolkit.setOptions(options)
    if (xml !== loaded) {
      if (!toolkit.loadData(xml)) throw new Error('The music could not be engraved.')
      loaded = xml
    } else {
      toolkit.redoLayout()
    }
    const pages = Array.from({ length: toolkit.getPageCount() }, (_, i) => toolkit.renderToSVG(i + 1))
    self.postMessage({ ticket, pages } satisfies EngraveAnswer)
  } catch (problem) {
    loaded = ''
    self.postMessage({ ticket, error: String(problem) } satisfies EngraveAnswer)
  }
}
