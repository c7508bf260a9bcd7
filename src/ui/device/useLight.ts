'use client'
import { useSyncExternalStore } from 'react'
import { LIGHT_COOKIE, lightIn, showLight, type Light } from './light'

const YEAR_S = 365 * 86_400

const listeners = new Set<() => void>()
const listen = (changed: () => void) => {
  listeners.add(changed)
  return () => void listeners.delete(changed)
}

/** The light of this device, for drawing its choice; none is known on the server. */
export function useLight(): Light | null {
  return useSyncExternalStore<Light | null>(
    listen,
    () => lightIn(document.cookie),
    () => null,
  )
}

/** Chooses the light of this device, for everybody who holds it. */
export function chooseLight(light: Light): void {
  document.cookie = `${LIGHT_COOKIE}=${light}; path=/; max-age=${YEAR_S}; samesite=lax`
  showLight()
  for (const listener of listeners) listener()
}
