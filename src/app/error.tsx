'use client'
import { Button } from '@/ui/pieces/Button'

/** When even the frame could not be made, most often because the database is out of reach. */
export default function RootError({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="max-w-lg mx-auto p-8">
      <h1>Elmhorn cannot show this just now</h1>
      <p className="mt-2">
        The database does not answer. Check that it runs, then try again. Nothing that was saved is lost.
      </p>
      <Button now className="mt-4" onClick={reset}>
        Try again
      </Button>
    </main>
  )
}
