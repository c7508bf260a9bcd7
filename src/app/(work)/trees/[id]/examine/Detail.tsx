'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { useState } from 'react'
import { checkDetail, detailWords, type FindingDetail } from '@/core/diagnose/detail'
import { Field } from '@/ui/fields/Field'
import { SmallRing } from '@/ui/ring/SmallRing'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked, AskedBy } from '@/ui/form/Asked'
import { ok } from '@/core/problem'
import { detailAsks } from '@/asks/examine'

/** How much of a finding, on which side, counted on what sample: shown in words, opened to change. */
export function Detail({
  name,
  detail,
  onNote,
}: {
  name: string
  detail: FindingDetail
  onNote: (detail: FindingDetail) => void
}) {
  const [open, setOpen] = useState(false)
  const words = detailWords(detail)
  const opener = (
    <p className="flex items-baseline gap-2 max-sm:items-center">
      {words && (
        <b className="truncate" title={words}>
          {words}
        </b>
      )}
      <button
        type="button"
        className="underline underline-offset-2 text-ink2 hand:min-h-12 shrink-0"
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
            <AskedForm
              asks={detailAsks}
              start={{
                amount: detail.amount ?? '',
                bearing: detail.bearing?.toString() ?? '',
                count: detail.count?.toString() ?? '',
                size: detail.sample?.size.toString() ?? '10',
                of: detail.sample?.of ?? 'leaves',
                words: detail.words ?? '',
              }}
              sends={(typed) => {
                const checked = checkDetail(detailOf(typed))
                return checked.ok ? ok({ ...checked.value }) : checked
              }}
              at={(field) => field.replace(/^sample$/, 'size')}
              // On the device first, as what it is noted of.
              by={{
                send: (input) => {
                  onNote(input)
                  return Promise.resolve(true)
                },
                busy: false,
                problem: null,
                renew: () => {},
                clear: () => {},
              }}
              onDone={() => setOpen(false)}
              keep="Keep"
              quiet
              onLeave={() => setOpen(false)}
              leave="Leave"
              className="grid grid-cols-2 sm:grid-cols-4 gap-x-3 gap-y-2 mt-3 items-end"
            >
              <Asked at="amount" />
              <AskedBy<string> at="bearing">
                {({ about, value, set, problem }) => (
                  <Field
                    label={about.label}
                    value={value}
                    onChange={(e) => set(e.target.value)}
                    inputMode="numeric"
                    problem={problem}
                  >
                    {isBearing(value) && <SmallRing size={34} bearings={[Number(value)]} />}
                  </Field>
                )}
              </AskedBy>
              <Asked at="count" />
              <div className="grid grid-cols-2 gap-2">
                <Asked at="size" />
                <Asked at="of" />
              </div>
              <div className="col-span-2 sm:col-span-4">
                <Asked at="words" maxLength={300} />
              </div>
            </AskedForm>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  )
}

const isBearing = (typed: string) => typed.trim() !== '' && Number(typed) >= 0 && Number(typed) <= 360

/** What is typed as it is kept: nothing where nothing is typed. */
function detailOf(typed: Record<string, unknown>): FindingDetail {
  const { amount, bearing, count, size, of, words } = detailAsks.parse(typed)
  return {
    ...(amount && { amount }),
    ...(bearing !== null && { bearing }),
    ...(count !== null && { count, sample: { size, of } }),
    ...(words && { words }),
  }
}
