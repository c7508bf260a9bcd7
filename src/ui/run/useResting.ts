'use client'
import { useCallback, useEffect, useRef, useState } from 'react'

/** A second press on the same thing so soon is the same press: what comes next stands under the same finger by then. */
export const REST_MS = 450

/**
 * Things that rest after they were pressed, by their ids, each from its newest press on. `resting` is for drawing their buttons; `isResting` says it for the press
 * itself, which may come before the page is drawn again. A button is never free before its press counts.
 */
export function useResting() {
  const [resting, setResting] = useState<ReadonlySet<string>>(new Set())
  const timers = useRef(new Map<string, ReturnType<typeof setTimeout>>())
  const rest = useCallback((ids: readonly string[]) => {
    const running = timers.current
    for (const id of ids) {
      clearTimeout(running.get(id))
      running.set(
        id,
        setTimeout(() => {
          running.delete(id)
          setResting(new Set(running.keys()))
        }, REST_MS),
      )
    }
    setResting(new Set(running.keys()))
  }, [])
  const isResting = useCallback((id: string) => timers.current.has(id), [])
  useEffect(() => {
    const running = timers.current
    return () => running.forEach((timer) => clearTimeout(timer))
  }, [])
  return { resting, isResting, rest }
}
