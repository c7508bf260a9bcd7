'use client'
import { ShownOnce } from '@/ui/pieces/ShownOnce'

/** A link that is shown once, to be handed on. */
export function LinkOnce({ link, says, onKept }: { link: string; says: string; onKept: () => void }) {
  // Without an address of the firm's own it begins where this page is.
  const whole = link.startsWith('/') ? `${window.location.origin}${link}` : link
  return (
    <ShownOnce secret={whole} testId="link" onKept={onKept}>
      {says}
    </ShownOnce>
  )
}
