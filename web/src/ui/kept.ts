import { useSyncExternalStore } from 'react'

/** What was typed and is not saved yet: it outlives leaving the screen, going back and loading anew. */
const PREFIX = 'coppia.kept.'
const memory = new Map<string, unknown>()
const listeners = new Set<() => void>()

function read(key: string): unknown {
  if (memory.has(key)) return memory.get(key)
  let kept: unknown
  try {
    kept = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null')
  } catch {
    kept = null // torn, or there is no storage: as if nothing were kept
  }
  memory.set(key, kept)
  return kept
}

/** What is kept under a key by now, or null. */
export const keptNow = (key: string) => read(key)

/** Keeps a value; null forgets it. Where the machine has no room left it is kept as long as the window is open. */
export function keep(key: string, value: unknown) {
  memory.set(key, value)
  try {
    if (value === null) localStorage.removeItem(PREFIX + key)
    else localStorage.setItem(PREFIX + key, JSON.stringify(value))
  } catch {
    // The memory has it.
  }
  for (const tell of listeners) tell()
}

/** Changes what is kept under a key, as it is by now. */
export const keepChanged = <T>(key: string, change: (now: T | null) => T | null) =>
  keep(key, change(read(key) as T | null))

// Gone back to, a page wakes with what it knew when it was left; what was typed since then is in the storage.
window.addEventListener('pageshow', (event) => {
  if (!event.persisted) return
  memory.clear()
  for (const tell of listeners) tell()
})

const listen = (tell: () => void) => {
  listeners.add(tell)
  return () => void listeners.delete(tell)
}

/** What is kept under a key on this machine, or null, and how to keep another value. */
export function useKept<T>(key: string): [T | null, (value: T | null) => void] {
  const kept = useSyncExternalStore(listen, () => read(key)) as T | null
  return [kept, (value) => keep(key, value)]
}
