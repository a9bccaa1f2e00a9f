import createVerovioModule from 'verovio/wasm'
import { VerovioToolkit } from 'verovio/esm'

import type { TimeEntry } from '../hear/schedule'

/** Asks for pictures, or with no options for the time map. */
export type EngraveRequest = { ticket: number; xml: string; options?: Record<string, unknown> }
export type EngraveAnswer = { ticket: number; pages?: string[]; times?: TimeEntry[]; error?: string }

let loaded = ''
const ready = createVerovioModule().then((module) => new VerovioToolkit(module))

self.onmessage = async (event: MessageEvent<EngraveRequest>) => {
  const { ticket, xml, options } = event.data
  try {
    const toolkit = await ready
    toolkit.setOptions(options ?? { breaks: 'none' })
    if (xml !== loaded) {
      if (!toolkit.loadData(xml)) throw new Error('The music could not be engraved.')
      loaded = xml
    } else {
      toolkit.redoLayout()
    }
    if (!options) {
      self.postMessage({ ticket, times: toolkit.renderToTimemap({ includeMeasures: true }) } satisfies EngraveAnswer)
      return
    }
    const pages = Array.from({ length: toolkit.getPageCount() }, (_, i) => toolkit.renderToSVG(i + 1))
    self.postMessage({ ticket, pages } satisfies EngraveAnswer)
  } catch (problem) {
    loaded = ''
    self.postMessage({ ticket, error: String(problem) } satisfies EngraveAnswer)
  }
}
