import { useState } from 'react'
import { ROWS, type RowId } from '../engraving/layout'

const KEPT = 'coppia.rows'
const FIRST: RowId[] = ['pair']

/** The rows switched on, remembered on this machine. */
export function useRows() {
  const [rows, setRows] = useState<RowId[]>(() => {
    try {
      const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as unknown
      return Array.isArray(kept) ? ROWS.map((r) => r.id).filter((id) => kept.includes(id)) : FIRST
    } catch {
      return FIRST
    }
  })
  const toggle = (id: RowId) => {
    const next = rows.includes(id)
      ? rows.filter((r) => r !== id)
      : ROWS.map((r) => r.id).filter((r) => r === id || rows.includes(r))
    setRows(next)
    localStorage.setItem(KEPT, JSON.stringify(next))
  }
  return { rows, toggle }
}
