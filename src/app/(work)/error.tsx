'use client'
import { Unmade } from '@/ui/pieces/Unmade'

/** When a page could not be made: says what to do, keeps the frame. */
export default function WorkError() {
  return (
    <div className="max-w-lg pt-6">
      <Unmade heading="This page could not be made" />
    </div>
  )
}
