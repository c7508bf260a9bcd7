import { useEffect, useRef, useState } from 'react'

/** A row that is over stays where it was until no hand has pressed for so long. */
const REST_MS = 2500
/** After the rows have moved a press does not count for so long: it was meant for what stood there. */
const SETTLE_MS = 450

/**
 * Rows that keep their place under a finger. What is over stays where it was, marked as such, until the hand has rested; new rows come last. While `settling` the rows have
 * just moved together, and nothing that is pressed counts.
 */
export function useStanding<Row extends { id: string }>(
  rows: readonly Row[],
): { rows: { row: Row; over: boolean }[]; settling: boolean } {
  const [shown, setShown] = useState(rows)
  const [settling, setSettling] = useState(false)
  const now = new Map(rows.map((r) => [r.id, r]))
  const before = new Set(shown.map((r) => r.id))
  const all = [...shown.map((r) => now.get(r.id) ?? r), ...rows.filter((r) => !before.has(r.id))]
  if (all.length > shown.length) setShown(all)
  const over = all
    .filter((r) => !now.has(r.id))
    .map((r) => r.id)
    .join()
  const pressed = useRef(0)
  const down = useRef(false)
  useEffect(() => {
    const press = () => {
      down.current = true
      pressed.current = Date.now()
    }
    const lift = () => (down.current = false)
    window.addEventListener('pointerdown', press, true)
    window.addEventListener('pointerup', lift, true)
    window.addEventListener('pointercancel', lift, true)
    return () => {
      window.removeEventListener('pointerdown', press, true)
      window.removeEventListener('pointerup', lift, true)
      window.removeEventListener('pointercancel', lift, true)
    }
  }, [])
  useEffect(() => {
    if (over === '') return
    const gone = new Set(over.split(','))
    let timer = setTimeout(function rest() {
      const left = REST_MS - (Date.now() - pressed.current)
      if (down.current || left > 0) {
        timer = setTimeout(rest, Math.max(200, left))
        return
      }
      setShown((s) => s.filter((r) => !gone.has(r.id)))
      setSettling(true)
    }, REST_MS)
    return () => clearTimeout(timer)
  }, [over])
  useEffect(() => {
    if (!settling) return
    const timer = setTimeout(() => setSettling(false), SETTLE_MS)
    return () => clearTimeout(timer)
  }, [settling])
  return { rows: all.map((row) => ({ row, over: !now.has(row.id) })), settling }
}
