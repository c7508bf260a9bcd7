'use client'
import { useRouter } from 'next/navigation'
import { useFieldArray } from 'react-hook-form'
import type { RecordView } from '@/server/read/work'
import { Choice } from '@/ui/fields/Choice'
import { Refusal } from '@/ui/fields/Refusal'
import { AskedForm, useRefusal } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { correctRecordAsks } from '@/asks/work'

/** What is corrected, why, and what trees really got. */
export function CorrectionForm({
  recordId,
  amounts: known,
  onLeave,
}: {
  recordId: string
  amounts: RecordView['amounts']
  onLeave: () => void
}) {
  const router = useRouter()
  const by = useStep('correct-record', 'id')
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
        onLeave()
        router.refresh()
      }}
      keep="Sign the correction"
      keeping="Signing"
      onLeave={onLeave}
      className="mt-3 grid gap-3 bg-sheet border border-line p-4"
    >
      <Asked at="correction" autoFocus />
      <Asked at="reason" />
      <Amounts known={known} />
    </AskedForm>
  )
}

/** What trees really got: each is chosen, then typed. */
function Amounts({ known }: { known: RecordView['amounts'] }) {
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
            label={`What ${k.tag} really got, instead of ${k.got}`}
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
