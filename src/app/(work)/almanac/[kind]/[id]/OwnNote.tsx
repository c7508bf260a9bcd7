'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { AlmanacView } from '@/server/read/almanac'
import { shortDate } from '@/ui/when'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { writeNoteAsks } from '@/asks/almanac'

/** The firm's own words beside an entry. */
export function OwnNote({
  entry,
  note,
  view,
}: {
  entry: string
  note: AlmanacView['notes'][number] | null
  view: AlmanacView
}) {
  const may = useMay()
  const router = useRouter()
  const step = useStep('write-note', 'id')
  const [kept, setKept] = useState(false)
  if (!may('write-note'))
    return note ? <Note className="mt-6 max-w-3xl whitespace-pre-line">{note.words}</Note> : null
  return (
    <AskedForm
      asks={writeNoteAsks}
      start={{ words: note?.words ?? '' }}
      fixed={{ entry }}
      by={step}
      onDone={() => {
        setKept(true)
        router.refresh()
      }}
      keep="Keep the note"
      quiet
      more={
        <span role="status" className="text-ink2 self-center">
          {kept ? 'kept' : ''}
        </span>
      }
      className="mt-6 max-w-3xl grid gap-1.5"
    >
      <Asked
        at="words"
        label={`Our own note${note ? `, last by ${note.by}, ${shortDate(note.at, view.timeZone)}` : ''}`}
      />
    </AskedForm>
  )
}
