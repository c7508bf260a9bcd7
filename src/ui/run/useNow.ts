'use client'
import { useEffect, useState } from 'react'

/** The time on the firm's clock, ticking every second. */
export function useNow(serverNow: number): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const began = Date.now()
    const timer = setInterval(() => setNow(serverNow + Date.now() - began), 1000)
    return () => clearInterval(timer)
  }, [serverNow])
  return now
}
