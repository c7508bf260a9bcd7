'use client'
import { useEffect, useRef } from 'react'
import { call } from './call'

/** What calls now, each with a name of its own and in words. */
export interface Calling {
  key: string
  words: string
}

/**
 * Calls once for everything that comes up while the page is open. What stood already when it was opened is on the page and calls nobody.
 */
export function useCalls(calling: readonly Calling[]): void {
  const told = useRef<Set<string> | null>(null)
  useEffect(() => {
    if (told.current === null) {
      told.current = new Set(calling.map((c) => c.key))
      return
    }
    const known = told.current
    const fresh = calling.filter((c) => !known.has(c.key))
    if (fresh.length === 0) return
    for (const { key } of fresh) known.add(key)
    // Several at once are one call.
    call(fresh.map((c) => c.words).join(' '))
  }, [calling])
}
