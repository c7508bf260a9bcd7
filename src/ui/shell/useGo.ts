'use client'
import { useRouter } from 'next/navigation'
import { useCallback } from 'react'

/**
 * Goes on to the next page after something was saved, and forgets the pages seen before it: the way back then shows
 * things as they are now, not the form as it was sent.
 */
export function useGo(): (href: string) => void {
  const router = useRouter()
  return useCallback(
    (href) => {
      router.push(href)
      router.refresh()
    },
    [router],
  )
}
