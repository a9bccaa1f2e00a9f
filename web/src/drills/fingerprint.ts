/** A short name for a text, which tells it from others (32-bit FNV-1a by Fowler, Noll and Vo, and its length). */
export function fingerprint(text: string) {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0
  return `${text.length}-${hash.toString(16)}`
}
