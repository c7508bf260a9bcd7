'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { AlmanacView } from '@/server/read/almanac'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { TextArea } from '@/ui/fields/TextArea'
import { useMay } from '@/ui/shell/may'

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
  const verb = useVerb('write-note', { makes: 'id' })
  const [words, setWords] = useState(note?.words ?? '')
  const [kept, setKept] = useState(false)
  if (!may('write-note'))
    return note ? <Note className="mt-6 max-w-3xl whitespace-pre-line">{note.words}</Note> : null
  return (
    <form
      className="mt-6 max-w-3xl"
      onSubmit={async (e) => {
        e.preventDefault()
        if ((await verb.send({ entry, words })) === null) return
        setKept(true)
        router.refresh()
      }}
    >
      <TextArea
        label={`Our own note${note ? `, last by ${note.by}, ${shortDate(note.at, view.timeZone)}` : ''}`}
        value={words}
        onChange={(e) => {
          setWords(e.target.value)
          setKept(false)
        }}
        placeholder="What we have seen of it here"
      />
      <Button type="submit" className="mt-1.5" disabled={verb.busy || words === (note?.words ?? '')}>
        Keep the note
      </Button>
      <span role="status" className="ml-3 text-ink2">
        {kept ? 'kept' : ''}
      </span>
      <ProblemNote problem={verb.problem} />
    </form>
  )
}
