'use client'

/** Prints the page as it stands. */
export function PrintButton() {
  return (
    <button type="button" className="btn no-print" onClick={() => window.print()}>
      Print
    </button>
  )
}
