import type { Together } from '../api/client'
import { useKeys } from '../ui/useKeys'
import { fullScreen } from './fullScreen'
import { PASSES } from './steps'
import type { Caller } from './useCaller'

/** What the keys do in the caller; its bar tells them. */
export function useCallerKeys(caller: Caller, together: Together) {
  const { steps, at, settings } = caller
  const line = steps[at]?.line ?? 0
  useKeys({
    ArrowRight: caller.next,
    ArrowLeft: caller.back,
    ArrowDown: () => caller.goLine(Math.min(together.lines.length - 1, line + 1)),
    ArrowUp: () => caller.goLine(Math.max(0, line - 1)),
    Home: () => caller.jump(caller.part.from),
    ' ': caller.play,
    a: caller.playAll,
    m: () => caller.set({ clicks: !settings.clicks }),
    p: () => caller.set({ aloud: !settings.aloud }),
    f: fullScreen,
    ...Object.fromEntries(PASSES.map((_, i) => [String(i + 1), () => caller.setPass(i)])),
  })
}
