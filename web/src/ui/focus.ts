/** Where letters are typed, or an opened list takes the keys: the focus stays there after a click. */
const KEEPS =
  'textarea, select, input:not([type=checkbox], [type=radio], [type=range], [type=button]), [contenteditable=true], [role=dialog] *, [role=menu], [role=menu] *, [aria-expanded=true]'

/** What closes has given the focus back by then. */
const CLOSING_MS = 60

const TABBABLE =
  'a[href], button:not([disabled]), input:not([disabled], .hidden), select:not([disabled]), textarea:not([disabled]), [tabindex]:not([tabindex="-1"])'

let byPointer = false
window.addEventListener('pointerdown', () => (byPointer = true), true)
window.addEventListener('keydown', () => (byPointer = false), true)

/** True while what happened last came from a mouse, a pen or a finger. */
export const lastByPointer = () => byPointer

/** Gives the focus to the screen, whose keys then work. */
export const focusScreen = () => document.querySelector<HTMLElement>('main')?.focus({ preventScroll: true })

const focusIsLost = () => document.activeElement === null || document.activeElement === document.body

/** So many neighbours of what has the focus are remembered. */
const NEIGHBOURS = 40

/** What can be gone on with where an element vanishes: what follows it, nearest first, then what is before it. */
function neighbours(of: Element) {
  const all = [...document.querySelectorAll<HTMLElement>(TABBABLE)]
  const at = all.findIndex((e) => e === of)
  return at < 0
    ? []
    : [...all.slice(at + 1, at + 1 + NEIGHBOURS), ...all.slice(Math.max(0, at - NEIGHBOURS), at).reverse()]
}

const canTakeFocus = (e: HTMLElement) => e.isConnected && !e.matches(':disabled') && e.getClientRects().length > 0

/**
 * Holds the focus within reach of a screen’s keys from now on: what a pointer pressed lets go of it, and what vanishes
 * or is switched off hands it on.
 */
export function holdFocus() {
  /** Where a keyboard’s focus was last, and what lies around it. */
  let last: Element | null = null
  let around: HTMLElement[] = []
  let pressed = false
  const letGo = (had: Element | null) => {
    const now = document.activeElement
    const isPointers = byPointer || now === had
    if (isPointers && !pressed && now?.closest('main') && !now.matches(`main, ${KEEPS}`)) focusScreen()
  }
  // A key may come before it is done: what the pointer had pressed lets go all the same.
  const later = () => {
    const had = byPointer ? document.activeElement : null
    setTimeout(() => letGo(had), 0)
  }
  document.addEventListener(
    'pointerdown',
    () => {
      pressed = true
      last = null
    },
    true,
  )
  for (const end of ['pointerup', 'pointercancel', 'click'] as const)
    document.addEventListener(
      end,
      () => {
        pressed = false
        later()
      },
      true,
    )
  document.addEventListener('focusin', (event) => {
    last = event.target as Element
    around = byPointer ? [] : neighbours(last)
    later() // a list that closes gives the focus back to the button that opened it
  })
  // Esc closes an open menu also where the focus has left it.
  window.addEventListener(
    'keydown',
    (event) => {
      const menu = event.key === 'Escape' ? document.querySelector<HTMLElement>('[role=menu]') : null
      if (!menu || !event.isTrusted || menu.contains(document.activeElement)) return
      event.preventDefault()
      event.stopPropagation()
      menu.focus()
      menu.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }))
    },
    true,
  )
  new MutationObserver(() => {
    if (!last || (last.isConnected && !last.matches(':disabled'))) return
    last = null
    const near = around
    // What closes may give the focus back by itself.
    setTimeout(() => {
      if (!focusIsLost() || document.querySelector('[role=dialog]')) return
      // The next screen is still being fetched: it takes the focus when it comes.
      if (!document.querySelector('main')) return
      const next = near.find(canTakeFocus)
      if (next) next.focus({ preventScroll: true })
      else focusScreen()
    }, CLOSING_MS)
  }).observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] })
}
