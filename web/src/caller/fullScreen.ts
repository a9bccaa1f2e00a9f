/** Fills the whole screen, or leaves it. */
export function fullScreen() {
  // A browser may refuse; then the window is as large as it is.
  const done = document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen()
  done.catch(() => undefined)
}
