import { useSyncExternalStore } from 'react'

const never = () => () => {}

/** True once the page answers a press; false in what the server sent and until everything on it is connected. */
export function useAlive(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
}
