'use client'
import { useGo } from '@/ui/shell/useGo'
import { Button } from '@/ui/pieces/Button'

/** Draws a new case. */
export function DrawCase({ words = 'Draw a case from the almanac' }: { words?: string }) {
  const go = useGo()
  return (
    <Button now className="mt-4" onClick={() => go(`/practice/made/${Math.floor(Math.random() * 1e9)}`)}>
      {words}
    </Button>
  )
}
