'use client'
import { useState } from 'react'
import type { RecordView } from '@/server/read/work'
import { afterPage } from '@/ui/pieces/afterPage'
import { Button } from '@/ui/pieces/Button'

const CorrectionForm = afterPage(() => import('./CorrectionForm'), 'CorrectionForm')

/** A correction: a new signed entry that points at this one, with what trees really got. The record itself stays. */
export function CorrectRecord(of: { recordId: string; amounts: RecordView['amounts'] }) {
  const [open, setOpen] = useState(false)
  return open ? (
    <CorrectionForm {...of} onLeave={() => setOpen(false)} />
  ) : (
    <Button className="mt-3" onClick={() => setOpen(true)}>
      Add a correction
    </Button>
  )
}
