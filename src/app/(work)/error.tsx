'use client'
import { Button } from '@/ui/pieces/Button'

/** When a page could not be made: says what to do, keeps the frame. */
export default function WorkError({ reset }: { error: Error; reset: () => void }) {
  return (
    <div className="max-w-lg pt-6">
      <h1>This page could not be made</h1>
      <p className="mt-2">
        The database did not answer, or something in the page went wrong. Nothing that was saved is lost. Try
        again in a moment; if it stays so, tell the office.
      </p>
      <Button now className="mt-4" onClick={reset}>
        Try again
      </Button>
    </div>
  )
}
