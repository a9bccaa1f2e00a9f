// Set in every page before its own scripts, for the monkey: what went wrong, and what sounds.
;(() => {
  const kept = () => JSON.parse(sessionStorage.getItem('watch.errors') ?? '[]')
  const tell = (what) => sessionStorage.setItem('watch.errors', JSON.stringify([...kept(), String(what)].slice(0, 20)))
  window.addEventListener('error', (event) => {
    // The browser's own word for a change of size that comes while sizes are told; nothing is lost by it.
    if (!String(event.message).includes('ResizeObserver loop')) tell(event.message)
  })
  window.addEventListener('unhandledrejection', (event) => tell(event.reason?.stack ?? event.reason))
  const say = console.error
  console.error = (...words) => {
    tell(words.join(' '))
    say(...words)
  }
  window.print = () => undefined
  const pressed = []
  window.addEventListener('keydown', (event) => pressed.push(`${event.key} in ${event.target.localName ?? 'window'}`), true)
  /** Where the keys went and what is open, for the message of a failure. */
  window.whereabouts = () =>
    JSON.stringify({
      pressed: pressed.slice(-6),
      focus: document.activeElement?.outerHTML.slice(0, 120),
      window: document.hasFocus(),
      open: [...document.querySelectorAll('[role=dialog] h2, [role=menu], [role=listbox]')].map((e) => e.textContent.slice(0, 60)),
      heading: document.querySelector('h1')?.textContent,
      said: document.querySelector('main')?.innerText.slice(0, 300),
      at: location.href,
      notes: document.querySelectorAll('g.note').length,
    })

  const contexts = new Set()
  const tones = new Set()
  const Real = window.AudioContext
  window.AudioContext = class extends Real {
    constructor(...given) {
      super(...given)
      contexts.add(this)
    }
  }
  const { start, stop } = OscillatorNode.prototype
  OscillatorNode.prototype.start = function (...when) {
    // A drone starts without a time of its own.
    tones.add({ node: this, isDrone: when.length === 0, from: when[0] ?? 0, to: Infinity })
    start.apply(this, when)
  }
  OscillatorNode.prototype.stop = function (when = 0) {
    for (const tone of tones) if (tone.node === this) tone.to = Math.min(tone.to, when || this.context.currentTime)
    stop.call(this, when)
  }
  // A bowed tone rings a little into the next.
  const RINGS = 0.12
  window.watched = () => {
    for (const tone of tones)
      if (tone.node.context.state === 'closed' || tone.to < tone.node.context.currentTime) tones.delete(tone)
    const now = [...tones].filter((t) => !t.isDrone && t.node.type === 'sawtooth')
    const open = [...contexts].filter((c) => c.state !== 'closed')
    const at = open[0]?.currentTime ?? 0
    return {
      errors: kept(),
      devices: open.length,
      sounding: now.filter((t) => t.from <= at && at < t.to - RINGS).length,
      ahead: [...tones].filter((t) => !t.isDrone && t.to > at + RINGS).length,
      isPlaying: [...document.querySelectorAll('button')].some((b) => b.textContent === 'Stop' && b.closest('[aria-label="Hear it"]')),
    }
  }
})()
