'use client'
import { Button } from './Button'

/** Prints the page as it stands: the work alone, without the frame round it. */
export function PrintButton({ what = 'Print' }: { what?: string }) {
  return (
    <Button quiet className="no-print" onClick={() => window.print()}>
      {what}
    </Button>
  )
}
