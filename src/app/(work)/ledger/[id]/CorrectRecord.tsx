'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useFieldArray } from 'react-hook-form'
import { showProduct } from '@/core/methods/showProduct'
import type { UnitSystem } from '@/core/quantity/format'
import type { RecordView } from '@/server/read/work'
import { Choice } from '@/ui/fields/Choice'
import { Refusal } from '@/ui/fields/Refusal'
import { Button } from '@/ui/pieces/Button'
import { AskedForm, useRefusal } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { correctRecordAsks } from '@/asks/work'

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
  const by = useStep('correct-record', 'id')
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        Add a correction
      </Button>
    )
  return (
    <AskedForm
      asks={correctRecordAsks}
      start={{ correction: '', reason: '', amounts: [] }}
      fixed={{ recordId }}
      sends={(typed) => {
        const amounts = typed.amounts as { subjectId: string; amount: string }[]
        return ok({ ...typed, amounts: amounts.filter((a) => a.amount.trim() !== '') })
      }}
      by={by}
      onDone={() => {
        setOpen(false)
        router.refresh()
      }}
      keep="Sign the correction"
      keeping="Signing"
      onLeave={() => setOpen(false)}
      className="mt-3 grid gap-3 bg-sheet border border-line p-4"
    >
      <Asked at="correction" autoFocus />
      <Asked at="reason" />
      <Amounts known={known} units={units} />
    </AskedForm>
  )
}

/** What trees really got: each is chosen, then typed. */
function Amounts({ known, units }: { known: RecordView['amounts']; units: UnitSystem }) {
  const { fields, append } = useFieldArray({ name: 'amounts', keyName: 'key' })
  const chosen = fields as unknown as readonly { key: string; subjectId: string }[]
  const problem = useRefusal('amounts')
  const others = known.filter((k) => !chosen.some((c) => c.subjectId === k.subjectId))
  return (
    <>
      {chosen.map((c, i) => {
        const k = known.find((one) => one.subjectId === c.subjectId)!
        return (
          <Asked
            key={c.key}
            at={`amounts.${i}.amount`}
            label={`What ${k.tag} really got, instead of ${showProduct(k.amount, k.kind, k.method, units)}`}
          />
        )
      })}
      {others.length > 0 && (
        <Choice
          label="An amount was otherwise at"
          value=""
          onValue={(subjectId) => {
            if (subjectId !== '') append({ subjectId, amount: '' })
          }}
          options={[['', 'no tree'], ...others.map((k) => [k.subjectId, k.tag] as const)]}
        />
      )}
      <Refusal words={problem} />
    </>
  )
}
