'use client'
import { useGo } from '@/ui/shell/useGo'

/** Draws a new case. */
export function DrawCase({ words = 'Draw a case from the almanac' }: { words?: string }) {
  const go = useGo()
  return (
    <button
      type="button"
      className="btn btn-now mt-4"
      onClick={() => go(`/practice/made/${Math.floor(Math.random() * 1e9)}`)}
    >
      {words}
    </button>
  )
}
