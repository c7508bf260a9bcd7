'use client'
import { useEffect, useState } from 'react'

const KEY = 'elmhorn-round'

/** The trees chosen to be walked one after another, in this tab; none without a choice. */
export function beginRound(trees: readonly string[]): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(trees))
  } catch {
    // A browser that keeps nothing walks in tag order.
  }
}

export function endRound(): void {
  sessionStorage.removeItem(KEY)
}

/** Where a tree stands on the round that is walked, with its neighbours there; null when it is on none. */
export function useRound(
  treeId: string,
): { at: number; of: number; previous: string | null; next: string | null } | null {
  const [trees, setTrees] = useState<string[]>([])
  useEffect(() => {
    try {
      const kept: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? '[]')
      if (Array.isArray(kept)) setTrees(kept.filter((id): id is string => typeof id === 'string'))
    } catch {
      setTrees([])
    }
  }, [treeId])
  const at = trees.indexOf(treeId)
  if (at === -1) return null
  return { at: at + 1, of: trees.length, previous: trees[at - 1] ?? null, next: trees[at + 1] ?? null }
}
