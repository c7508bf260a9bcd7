'use client'
import type { OwnEntry } from '@/almanac/ownEntry'
import dynamic from 'next/dynamic'
import { useSearchParams } from 'next/navigation'
import { useState } from 'react'

const Reckon = dynamic(() => import('@/ui/reckon/Reckon').then((m) => m.Reckon), {
  ssr: false,
  loading: () => <p className="text-ink2">Opening …</p>,
})

/** The page is the same for every question, so that one copy of it can be kept; the address fills it in the browser. */
export function ReckonHere({ units, own }: { units: 'us' | 'metric'; own: readonly OwnEntry[] }) {
  const params = useSearchParams()
  // Typing changes the address; only the one the page was opened with fills the sheet.
  const [search] = useState(() => params.toString())
  return <Reckon units={units} search={search} own={own} />
}
