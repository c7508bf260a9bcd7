'use client'
import { useCallback, useEffect, useState } from 'react'

/** The parts of a job’s page; where a hand holds it, one is seen at a time. */
export const PARTS = ['trees', 'tree', 'row', 'board', 'back', 'finish'] as const
export type Part = (typeof PARTS)[number]

interface Place {
  tree: string
  part: Part
}

function placeIn(address: string, first: string): Place {
  const asked = new URLSearchParams(address)
  const part = PARTS.find((p) => p === asked.get('part'))
  return { tree: asked.get('tree') ?? first, part: part ?? 'tree' }
}

/**
 * Where in a job one is: the tree under the hands and the part of the page. Each step stands in the history, so that back leads to where
 * one was and leaves the job only from its first page; an address names it again after the page was loaded anew.
 */
export function usePlaceInJob(first: string): Place & { goTo: (place: Partial<Place>) => void } {
  const [place, setPlace] = useState<Place>({ tree: first, part: 'tree' })
  useEffect(() => {
    const read = () => setPlace(placeIn(window.location.search, first))
    read()
    window.addEventListener('popstate', read)
    return () => window.removeEventListener('popstate', read)
    // The first tree is that of the page as it was opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  const goTo = useCallback(
    (next: Partial<Place>) => {
      const { tree, part } = { ...place, ...next }
      if (tree === place.tree && part === place.part) return
      window.history.pushState(null, '', `?${new URLSearchParams({ tree, part })}`)
      setPlace({ tree, part })
      window.scrollTo(0, 0)
    },
    [place],
  )
  return { ...place, goTo }
}
