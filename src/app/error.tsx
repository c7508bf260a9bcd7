'use client'
import { Unmade } from '@/ui/pieces/Unmade'

/** When even the frame could not be made, most often because the database is out of reach. */
export default function RootError() {
  return (
    <main className="max-w-lg mx-auto p-8">
      <Unmade heading="Elmhorn cannot show this just now" />
    </main>
  )
}
