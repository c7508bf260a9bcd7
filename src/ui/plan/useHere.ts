'use client'
import { useState } from 'react'
import type { Spot } from '@/core/place/onGlobe'

/** Asks the device where it is; `said` tells how it goes, and within how many metres the answer is true. */
export function useHere(take: (spot: Spot, withinM: number) => void) {
  const [said, setSaid] = useState<string | null>(null)
  function ask() {
    if (!('geolocation' in navigator))
      return setSaid('This device does not know where it is; type the degrees.')
    setSaid('Looking where this device is …')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        take(coords, coords.accuracy)
        setSaid(`Taken from this device, within ${Math.ceil(coords.accuracy)} m.`)
      },
      () => setSaid('This device does not say where it is; type the degrees.'),
      { enableHighAccuracy: true, timeout: 15_000, maximumAge: 0 },
    )
  }
  return { ask, said }
}
