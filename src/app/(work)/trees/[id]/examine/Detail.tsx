'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { useState } from 'react'
import { detailWords, type FindingDetail } from '@/core/diagnose/detail'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { SmallRing } from '@/ui/ring/SmallRing'
import { Button } from '@/ui/pieces/Button'

/** How much of a finding, on which side, counted on what sample: shown in words, opened to change. */
export function Detail({
  ids,
  name,
  detail: first,
  before,
}: {
  ids: { treeId: string; assessmentId: string; finding: string }
  name: string
  detail: FindingDetail
  /** Resolves when the finding itself is kept. */
  before: () => Promise<void>
}) {
  const verb = useVerb('set-detail')
  const [detail, setDetail] = useState(first)
  const [open, setOpen] = useState(false)
  const [typed, setTyped] = useState({
    amount: first.amount ?? '',
    bearing: first.bearing?.toString() ?? '',
    count: first.count?.toString() ?? '',
    size: first.sample?.size.toString() ?? '10',
    of: first.sample?.of ?? 'leaves',
    words: first.words ?? '',
  })
  const words = detailWords(detail)
  const at = (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null)
  const set = (key: keyof typeof typed) => (e: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: e.target.value })
  const bearing = Number(typed.bearing)

  async function keep(event: React.FormEvent) {
    event.preventDefault()
    const next: FindingDetail = {
      ...(typed.amount && { amount: typed.amount as FindingDetail['amount'] }),
      ...(typed.bearing.trim() && { bearing }),
      ...(typed.count.trim() && {
        count: Number(typed.count),
        sample: { size: Number(typed.size), of: typed.of },
      }),
      ...(typed.words.trim() && { words: typed.words.trim() }),
    }
    await before()
    if ((await verb.send({ ...ids, detail: next })) === null) return
    setDetail(next)
    setOpen(false)
  }

  const opener = (
    <p className="flex items-baseline gap-2 max-sm:items-center">
      {words && (
        <b className="truncate" title={words}>
          {words}
        </b>
      )}
      <button
        type="button"
        className="underline underline-offset-2 text-ink2 max-sm:min-h-12 shrink-0"
        onClick={() => setOpen(true)}
      >
        {words ? 'change' : 'how much, where, counted'}
        <span className="sr-only">, {name}</span>
      </button>
    </p>
  )
  if (!open) return opener
  return (
    <>
      {opener}
      <Dialog open onClose={() => setOpen(false)} className="relative z-50">
        <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
        <div className="fixed inset-0 flex items-center justify-center p-4 overflow-y-auto">
          <DialogPanel className="bg-sheet border border-line p-5 w-full max-w-2xl">
            <DialogTitle className="text-lead">{name}: how much, and where</DialogTitle>
            <form
              onSubmit={keep}
              className="grid grid-cols-2 sm:grid-cols-4 gap-x-3 gap-y-2 mt-3"
              aria-label={name}
            >
              <Choice
                label="How much"
                options={[
                  ['', 'not said'],
                  ['little', 'little'],
                  ['some', 'some'],
                  ['much', 'much'],
                ]}
                value={typed.amount}
                onValue={(v) => set('amount')({ target: { value: v } })}
              />
              <Field
                label="Side, degrees"
                value={typed.bearing}
                onChange={set('bearing')}
                inputMode="numeric"
                problem={at('bearing')}
              >
                {typed.bearing.trim() !== '' && bearing >= 0 && bearing <= 360 && (
                  <SmallRing size={34} bearings={[bearing]} />
                )}
              </Field>
              <Field
                label="Counted"
                value={typed.count}
                onChange={set('count')}
                inputMode="numeric"
                problem={at('count')}
              />
              <div className="grid grid-cols-2 gap-2">
                <Field
                  label="on"
                  value={typed.size}
                  onChange={set('size')}
                  inputMode="numeric"
                  problem={at('sample')}
                />
                <Field label="of" value={typed.of} onChange={set('of')} />
              </div>
              <div className="col-span-2 sm:col-span-3">
                <Field label="In your words" value={typed.words} onChange={set('words')} maxLength={300} />
              </div>
              <div className="flex gap-2 items-end">
                <Button type="submit" disabled={verb.busy}>
                  Keep
                </Button>
                <Button onClick={() => setOpen(false)}>Leave</Button>
              </div>
              {verb.problem && !/(bearing|count|sample)$/.test(verb.problem.field) && (
                <ProblemNote problem={verb.problem} />
              )}
            </form>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  )
}
