'use client'
import { useEffect } from 'react'

/** A device that the office has ended empties what it keeps of whoever was signed in. Shows nothing. */
export function EmptyDevice({ person }: { person: string }) {
  useEffect(() => {
    void import('@/ui/field/emptyDevice').then(({ emptyDevice }) => emptyDevice(person))
  }, [person])
  return null
}
