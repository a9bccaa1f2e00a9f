import { VerovioToolkit } from 'verovio/esm'
import createVerovioModule from 'verovio/wasm'
import type { EngraveAnswer, EngraveRequest } from './engraver'

/** A tune that is being engraved page by page can be left lying while a small thing is engraved. */
type Desk = { toolkit: VerovioToolkit; loaded: string; last: Promise<void> }

/** Breaks down where its program cannot be had: the next request is another worker's, which may get it. */
async function load() {
  try {
    return await createVerovioModule()
  } catch {
    setTimeout(() => {
      throw new Error('it could not be loaded')
    })
    return new Promise(() => undefined)
  }
}

const module = load()
const desks = new Map<EngraveRequest['desk'], Promise<Desk>>()
const cancelled = new Set<number>()

function deskOf(name: EngraveRequest['desk']) {
  const open = async () => ({ toolkit: new VerovioToolkit(await module), loaded: '', last: Promise.resolve() })
  const desk = desks.get(name) ?? open()
  desks.set(name, desk)
  return desk
}

const tell = (answer: EngraveAnswer) => self.postMessage(answer)

/** Lets messages come in that wait. */
const breathe = () => new Promise((done) => setTimeout(done, 0))

async function work(desk: Desk, { ticket, xml, options, more, timed }: EngraveRequest) {
  const { toolkit } = desk
  if (more) {
    desk.loaded = ''
    const pieces = [{ xml, options: options ?? {} }, ...more].map((piece) => {
      toolkit.setOptions(piece.options)
      if (!toolkit.loadData(piece.xml)) throw new Error('The music could not be engraved.')
      return toolkit.renderToSVG(1)
    })
    tell({ ticket, pieces })
    return
  }
  toolkit.setOptions(options ?? { breaks: 'none' })
  if (xml === desk.loaded) toolkit.redoLayout()
  else {
    desk.loaded = ''
    if (!toolkit.loadData(xml)) throw new Error('The music could not be engraved.')
    desk.loaded = xml
  }
  const tellTimes = () => tell({ ticket, times: toolkit.renderToTimemap({ includeMeasures: true }) })
  if (!options) {
    tellTimes()
    return
  }
  const of = toolkit.getPageCount()
  for (let page = 0; page < of; page++) {
    await breathe()
    if (cancelled.has(ticket)) return
    tell({ ticket, page, of, svg: toolkit.renderToSVG(page + 1) })
  }
  if (!timed) return
  await breathe()
  if (!cancelled.has(ticket)) tellTimes()
}

self.onmessage = async ({ data }: MessageEvent<EngraveRequest | { cancel: number }>) => {
  if ('cancel' in data) {
    cancelled.add(data.cancel)
    tell({ ticket: data.cancel, cancelled: true })
    return
  }
  const { ticket } = data
  try {
    const desk = await deskOf(data.desk)
    const turn = desk.last.then(async () => {
      await breathe()
      if (cancelled.has(ticket)) return
      tell({ ticket, begun: true })
      await work(desk, data)
    })
    desk.last = turn.catch(() => undefined)
    await turn
  } catch (problem) {
    tell({ ticket, error: problem instanceof Error ? problem.message : String(problem) })
  } finally {
    cancelled.delete(ticket)
  }
}
