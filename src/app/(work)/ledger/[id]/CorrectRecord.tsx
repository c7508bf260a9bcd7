'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** A correction: a new signed entry that points at this one. The record itself stays. */
export function CorrectRecord({ recordId }: { recordId: string }) {
  const router = useRouter()
  const { send, busy, problem, renew } = useVerb('correct-record', { makes: 'id' })
  const [open, setOpen] = useState(false)
  const [correction, setCorrection] = useState('')
  const [reason, setReason] = useState('')
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  async function submit(event?: FormEvent) {
    event?.preventDefault()
    if ((await send({ recordId, correction, reason })) === null) return
    setCorrection('')
    setReason('')
    setOpen(false)
    router.refresh()
  }
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        Add a correction
      </Button>
    )
  return (
    <form onSubmit={submit} className="mt-3 grid gap-3 bg-sheet border border-line p-4" noValidate>
      <Field
        label="What is right"
        value={correction}
        onChange={(e) => setCorrection(e.target.value)}
        problem={at('correction')}
        autoFocus
      />
      <Field
        label="Why the record says otherwise"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        problem={at('reason')}
      />
      <ProblemNote
        problem={problem && ['correction', 'reason'].includes(problem.field) ? null : problem}
        onAnew={() => {
          renew()
          void submit()
        }}
      />
      <div className="flex gap-2">
        <Button type="submit" now disabled={busy}>
          Sign the correction
        </Button>
        <Button onClick={() => setOpen(false)}>Leave it</Button>
      </div>
    </form>
  )
}
