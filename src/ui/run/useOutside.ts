'use client'
import { useState } from 'react'
import type { Outside } from '@/core/methods/outside'

/** Presses that wait for an answer, with what speaks against them. */
interface Asking<Presses> {
  presses: Presses
  outside: Outside[]
}

/**
 * Asks before presses go out that lie outside card and rules: what was answered with “go on” is not asked again for the same reason until
 * another hour begins, but an uptake that cannot be is asked about at every port. `outsideOf` says what speaks against presses now.
 */
export function useOutside<Presses>(
  /** What they are at: another work, or another hour, is asked about anew. */
  at: string,
  outsideOf: (presses: Presses) => Outside[],
  act: (presses: Presses) => void,
) {
  const [asking, setAsking] = useState<Asking<Presses> | null>(null)
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set())
  const key = ({ what }: Outside) => `${at} ${what}`
  return {
    asking: asking?.outside ?? null,
    press: (presses: Presses) => {
      const outside = outsideOf(presses).filter((o) => o.what === 'too quick' || !gone.has(key(o)))
      if (outside.length > 0) setAsking({ presses, outside })
      else act(presses)
    },
    goOn: () => {
      if (!asking) return
      setGone(new Set([...gone, ...asking.outside.map(key)]))
      setAsking(null)
      act(asking.presses)
    },
    stop: () => setAsking(null),
  }
}
