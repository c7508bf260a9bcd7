import { useSyncExternalStore } from 'react'

// As the style sheets have it: large text makes a screen narrow sooner.
const WIDE = '(min-width: 64rem)'

function listen(changed: () => void): () => void {
  const screen = window.matchMedia(WIDE)
  screen.addEventListener('change', changed)
  return () => screen.removeEventListener('change', changed)
}

/** Whether the screen has room for a desk view; null until that is known, on the server and while a page comes alive. */
export function useWide(): boolean | null {
  return useSyncExternalStore<boolean | null>(
    listen,
    () => window.matchMedia(WIDE).matches,
    () => null,
  )
}
