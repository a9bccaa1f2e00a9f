import { useSyncExternalStore } from 'react'

/** What was typed and is not saved yet: it outlives leaving the screen, going back and loading anew. */
const PREFIX = 'coppia.kept.'
const memory = new Map<string, unknown>()
/** What this window alone has, because the machine has no room left for it. */
const unsaved = new Set<string>()
const listeners = new Set<() => void>()

function stored(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null')
  } catch {
    return null // torn, or there is no storage: as if nothing were kept
  }
}

function read(key: string): unknown {
  if (!memory.has(key)) memory.set(key, stored(key))
  return memory.get(key)
}

/** What is kept under a key by now, or null. */
export const keptNow = (key: string) => read(key)

/** Keeps a value; null forgets it. Where the machine has no room left it is kept as long as the window is open. */
export function keep(key: string, value: unknown) {
  memory.set(key, value)
  unsaved.delete(key)
  try {
    if (value === null) localStorage.removeItem(PREFIX + key)
    else localStorage.setItem(PREFIX + key, JSON.stringify(value))
  } catch {
    unsaved.add(key)
  }
  for (const tell of listeners) tell()
}

/** Changes what is kept under a key, as it is by now, also where another window has changed it. */
export const keepChanged = <T>(key: string, change: (now: T | null) => T | null) =>
  keep(key, change((unsaved.has(key) ? read(key) : stored(key)) as T | null))

/** Forgets all that is kept under keys with a word in them. */
export function forgetAll(word: string) {
  const keys = new Set(memory.keys())
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith(PREFIX)) keys.add(key.slice(PREFIX.length))
  } catch {
    // There is no storage: the memory is all.
  }
  for (const key of keys) if (key.includes(word)) keep(key, null)
}

/** What other windows have changed is read when it is next asked for. */
function readAnew(key?: string) {
  for (const known of key === undefined ? [...memory.keys()] : [key]) if (!unsaved.has(known)) memory.delete(known)
  for (const tell of listeners) tell()
}

window.addEventListener('storage', (event) => {
  if (event.key === null) readAnew()
  else if (event.key.startsWith(PREFIX)) readAnew(event.key.slice(PREFIX.length))
})
// Gone back to, a page wakes with what it knew when it was left.
window.addEventListener('pageshow', (event) => event.persisted && readAnew())

const listen = (tell: () => void) => {
  listeners.add(tell)
  return () => void listeners.delete(tell)
}

/** What is kept under a key on this machine, or null, and how to keep another value. */
export function useKept<T>(key: string): [T | null, (value: T | null) => void] {
  const kept = useSyncExternalStore(listen, () => read(key)) as T | null
  return [kept, (value) => keep(key, value)]
}
