'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { showProduct } from '@/core/methods/showProduct'
import type { UnitSystem } from '@/core/quantity/format'
import type { RecordView } from '@/server/read/work'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Refusal } from '@/ui/fields/Refusal'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** A correction: a new signed entry that points at this one, with what trees really got. The record itself stays. */
export function CorrectRecord({
  recordId,
  amounts: known,
  units,
}: {
  recordId: string
  amounts: RecordView['amounts']
  units: UnitSystem
}) {
  const router = useRouter()
  const { send, busy, problem, renew } = useVerb('correct-record', { makes: 'id' })
  const [open, setOpen] = useState(false)
  const [correction, setCorrection] = useState('')
  const [reason, setReason] = useState('')
  const [amounts, setAmounts] = useState<Record<string, string>>({})
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  async function submit(event?: FormEvent) {
    event?.preventDefault()
    const changed = Object.entries(amounts)
      .filter(([, amount]) => amount.trim() !== '')
      .map(([subjectId, amount]) => ({ subjectId, amount }))
    if ((await send({ recordId, correction, reason, amounts: changed })) === null) return
    setCorrection('')
    setReason('')
    setAmounts({})
    setOpen(false)
    router.refresh()
  }
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        Add a correction
      </Button>
    )
  const others = known.filter((k) => !(k.subjectId in amounts))
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
      {known
        .filter((k) => k.subjectId in amounts)
        .map((k) => (
          <Field
            key={k.subjectId}
            label={`What ${k.tag} really got, instead of ${showProduct(k.amount, k.kind, k.method, units)}`}
            value={amounts[k.subjectId]}
            onChange={(e) => setAmounts({ ...amounts, [k.subjectId]: e.target.value })}
          />
        ))}
      {others.length > 0 && (
        <Choice
          label="An amount was otherwise at"
          value=""
          onValue={(id) => id && setAmounts({ ...amounts, [id]: '' })}
          options={[['', 'no tree'], ...others.map((k) => [k.subjectId, k.tag] as const)]}
        />
      )}
      <Refusal words={at('amounts')} />
      <ProblemNote
        problem={problem && ['correction', 'reason', 'amounts'].includes(problem.field) ? null : problem}
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
