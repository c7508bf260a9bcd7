'use client'
import { useState, useSyncExternalStore } from 'react'
import type { TypedBottle } from '@/core/methods/soil-drench/bottle'

const KEPT = 'elmhorn stock bottle'
const NONE: TypedBottle = { bottle: '', pour: '', graduation: '' }

/** What this device was told last of its stock bottle; it is the same truck. */
export function useStockBottle(): [TypedBottle, (typed: TypedBottle) => void] {
  const kept = useSyncExternalStore(
    () => () => {},
    () => window.localStorage.getItem(KEPT) ?? '',
    () => '',
  )
  const [typed, setTyped] = useState<TypedBottle | null>(null)
  return [
    typed ?? read(kept),
    (next) => {
      setTyped(next)
      window.localStorage.setItem(KEPT, JSON.stringify(next))
    },
  ]
}

function read(kept: string): TypedBottle {
  try {
    const { bottle, pour, graduation } = { ...NONE, ...(JSON.parse(kept) as Partial<TypedBottle>) }
    return { bottle: String(bottle), pour: String(pour), graduation: String(graduation) }
  } catch {
    return NONE
  }
}
