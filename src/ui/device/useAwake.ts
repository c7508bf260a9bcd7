'use client'
import { useEffect } from 'react'

/** Keeps the screen on while `on`, where the device allows it. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let left = false
    const hold = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (held) => {
          if (left) void held.release()
          else lock = held
        },
        () => {},
      )
    }
    hold()
    // It is let go when the page is hidden.
    document.addEventListener('visibilitychange', hold)
    return () => {
      left = true
      document.removeEventListener('visibilitychange', hold)
      void lock?.release()
    }
  }, [on])
}
