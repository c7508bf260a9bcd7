'use client'
import { useState, useSyncExternalStore } from 'react'

/** What this device was told last under a name, as texts; it is the same truck. Damaged or missing, it is what it starts as. */
export function useKept<T extends Record<string, string>>(name: string, start: T): [T, (next: T) => void] {
  const kept = useSyncExternalStore(
    () => () => {},
    () => window.localStorage.getItem(name) ?? '',
    () => '',
  )
  const [typed, setTyped] = useState<T | null>(null)
  return [
    typed ?? read(kept, start),
    (next) => {
      setTyped(next)
      window.localStorage.setItem(name, JSON.stringify(next))
    },
  ]
}

function read<T extends Record<string, string>>(kept: string, start: T): T {
  try {
    const found = JSON.parse(kept) as Record<string, unknown>
    return Object.fromEntries(
      Object.entries(start).map(([key, text]) => {
        const value = found[key]
        return [key, typeof value === 'string' ? value : text]
      }),
    ) as T
  } catch {
    return start
  }
}
