'use client'
import { useEffect, useState } from 'react'

/** So long the place on the screen rests where a finger was; second taps come within it. */
export const PLACE_RESTS_MS = 650
/** A finger that taps twice comes down within so much of where it was, CSS pixels from the middle to the edge. */
const REACH = 32

/**
 * What rests after a press is the place on the screen, through any change of page, tree or port: whatever comes to stand there meanwhile
 * is not pressed by the same finger. Buttons that are pressed many times on end say so (`data-quick`); keys have no place and rest
 * nothing.
 */
export function RestingPlace() {
  const [places, setPlaces] = useState<readonly { n: number; x: number; y: number }[]>([])
  useEffect(() => {
    let n = 0
    const timers = new Set<ReturnType<typeof setTimeout>>()
    const pressed = (event: MouseEvent) => {
      // By a key there is no place.
      if (event.detail === 0 || !(event.target instanceof Element)) return
      const on = event.target.closest('button, a')
      if (!on || on.closest('[data-quick]') || !on.closest('[data-rests]')) return
      const place = { n: n++, x: event.clientX, y: event.clientY }
      setPlaces((now) => [...now, place])
      const timer = setTimeout(() => {
        timers.delete(timer)
        setPlaces((now) => now.filter((p) => p.n !== place.n))
      }, PLACE_RESTS_MS)
      timers.add(timer)
    }
    document.addEventListener('click', pressed, true)
    return () => {
      document.removeEventListener('click', pressed, true)
      timers.forEach(clearTimeout)
    }
  }, [])
  return (
    <>
      {places.map((p) => (
        <span
          key={p.n}
          aria-hidden="true"
          data-resting-place
          className="fixed z-[60]"
          style={{ left: p.x - REACH, top: p.y - REACH, width: 2 * REACH, height: 2 * REACH }}
        />
      ))}
    </>
  )
}
